import { CARED_ITEMS } from '../../care/where-it-counts.ts';
import { ANSWER_FACTS } from '../../inspection/checklist.ts';
import { listFor } from '../../inspection/list-for.ts';
import { dealtWithBy, FINDINGS, type NamedFinding } from '../../inspection/findings.ts';
import type { Construction } from '../../instrument/construction.ts';
import type { Operation } from '../../catalogue/operation.ts';
import { operation } from '../../catalogue/operations.ts';
import type { Job } from '../job.ts';
import type { JudgingShop } from '../judged-job.ts';
import type { Judged } from '../judge.ts';
import type { NameOf, Shop } from '../shop.ts';
import { iso } from './moment.ts';

/** What a named finding comes to: the operation that deals with it, what is asked, or why it stays. */
function meansOf(
  item: string,
  f: NamedFinding,
  catalogue: readonly Operation[],
  construction: Construction,
): string {
  const id = dealtWithBy(item, f, undefined, catalogue, construction);
  return id === null ? (f.asks ?? f.why ?? '') : operation(id, catalogue).name;
}

/** The inspection: the items this instrument is asked, each with its answer. */
export const inspectionView = (
  g: Job & JudgingShop,
  { items, bySheet }: Pick<Judged, 'items' | 'bySheet'>,
  { checklists }: Pick<Shop, 'checklists'>,
  name: NameOf,
) => ({
  list: g.job.list,
  lists: checklists.map((l) => ({ id: l.id, name: l.name })),
  suits: listFor(
    g.job.complaint,
    g.lines.map((l) => l.operation),
  ),
  ends: g.checklist?.ends ?? [],
  ending: g.inspection?.ending ?? '',
  version: g.inspection?.version ?? 0,
  checklistVersion: g.checklist?.version ?? 0,
  finishedAt: iso(g.inspection?.finishedAt),
  finishedBy: name(g.inspection?.finishedBy ?? null),
  items: items.map((item) => {
    const given = g.answers.find((a) => a.item === item.key);
    const read = given?.answer ? undefined : bySheet.get(item.key);
    const answer = given?.answer ?? read ?? null;
    return {
      key: item.key,
      group: item.group,
      phase: item.phase,
      title: item.title,
      help: item.help,
      fine: item.fine ?? '',
      caution: item.caution ?? '',
      reading: item.reading ?? null,
      /** whether what may touch the instrument is asked there */
      cared: CARED_ITEMS.includes(item.key),
      leadsTo: item.leadsTo ? operation(item.leadsTo, g.catalogue).name : '',
      findings: (FINDINGS.get(item.key) ?? []).map((f) => ({
        id: f.id,
        name: f.name,
        means: meansOf(item.key, f, g.catalogue, g.instrument.construction),
      })),
      finding: given?.finding ?? null,
      answer,
      answerName: answer ? ANSWER_FACTS[answer].name : '',
      /** nobody answered it: its readings on the sheet do */
      bySheet: read !== undefined,
      note: given?.note ?? '',
      by: name(given?.answeredBy ?? null),
      version: given?.version ?? 0,
    };
  }),
});
