import { sayMatters } from '../../instrument/matters.ts';
import { needsSet } from '../set-payer.ts';
import { leafStates, type JobFacts } from '../leaves.ts';
import type { JobInstrument } from '../job.ts';
import type { JobWith } from '../job-parts.ts';
import type { NameOf, Shop } from '../shop.ts';
import { iso } from './moment.ts';

const instrumentView = (i: JobInstrument, kinds: Shop['kinds']) => ({
  id: i.id,
  name: `${i.maker} ${i.model}`.trim(),
  kind: i.kind,
  kindName: kinds.find((k) => k.id === i.kind)?.name ?? i.kind,
  maker: i.maker,
  model: i.model,
  year: i.year,
  yearFrom: i.yearFrom,
  version: i.version,
  serial: i.serial,
  construction: i.construction,
});

/** Whose it is, what it is, what was agreed, where it stands: what every leaf shows of a job. */
export function headView(
  g: JobWith<'customer'>,
  facts: JobFacts,
  { kinds }: Pick<Shop, 'kinds'>,
  name: NameOf,
) {
  const { job, customer, instrument: i } = g;
  return {
    id: job.id,
    number: job.number,
    version: job.version,
    state: job.state,
    customer: {
      id: customer?.id ?? 0,
      name: customer?.name ?? '',
      phone: customer?.phone ?? '',
      email: customer?.email ?? '',
      version: customer?.version ?? 0,
    },
    instrument: instrumentView(i, kinds),
    complaint: job.complaint,
    touch: job.touch,
    plays: job.plays,
    matters: job.matters ?? null,
    setPaidBy: job.setPaidBy ?? null,
    /** it came in needing a set: nobody changed its strings since */
    needsSet: g.stringChanges.length === 0 && needsSet(job.stringsState),
    /** the same in words; empty where there is nothing to say */
    mattersFor: sayMatters(job.matters),
    wish: job.wish,
    neededBy: job.neededBy,
    hardDate: job.hardDate,
    hardReason: job.hardReason,
    limit: job.limitMinor,
    discount: { kind: job.discountKind, value: job.discountValue, reason: job.discountReason },
    stringsState: job.stringsState,
    strings: g.stringChanges.map((c) => ({
      kind: c.kind,
      reason: c.reason,
      lost: c.lost,
      setName: c.setName,
      fresh: c.fresh,
      newOnes: c.newOnes ?? [],
      broke: c.broke ?? [],
      brokeNote: c.brokeNote ?? '',
      by: name(c.changedBy),
      at: c.changedAt.toISOString(),
    })),
    placeId: job.placeId,
    holder: name(job.holderId),
    holderId: job.holderId,
    waitingFor: job.waitingFor,
    waitingNote: job.waitingNote,
    waitingUntil: iso(job.waitingUntil),
    takenInAt: job.takenInAt.toISOString(),
    takenInBy: name(job.takenInBy),
    closedAt: iso(job.closedAt),
    leaves: leafStates(facts),
    facts,
  };
}
