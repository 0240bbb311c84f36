import { VIEW_NAMES } from '../../instrument/outline.ts';
import { STRINGS_STATES } from '../../readings/conditions.ts';
import type { JobParts, JobWith, SeenOnReceipt } from '../job-parts.ts';
import { sayTicketSet } from '../set-payer.ts';
import { iso } from './moment.ts';

/** The item of the list that names damage already there. */
const DAMAGE_ITEM = 'damage';

/** What a receipt shows now: the things that came, the damage noted, the state of the strings. */
export const seenOnReceipt = (g: JobWith<'things' | 'marks'>): SeenOnReceipt => ({
  things: g.things.filter((i) => i.bag === null).map((i) => ({ name: i.name, state: i.state })),
  damage: g.answers.find((a) => a.item === DAMAGE_ITEM)?.note ?? '',
  ...(g.marks.length > 0 && {
    marks: g.marks.map((m) => `${VIEW_NAMES[m.view]}: ${m.words || 'marked'}`),
  }),
  strings: [
    STRINGS_STATES[g.job.stringsState],
    // What the bench made of them since is no matter of the counter.
    g.stringChanges.length > 0 ? '' : sayTicketSet(g.job.stringsState, g.job.setPaidBy ?? null),
  ]
    .filter((part) => part !== '')
    .join(': '),
});

/** What is in one list and not in the other, as often as it is there more often. */
function without(all: readonly string[], those: readonly string[]): string[] {
  const left = [...those];
  return all.filter((v) => {
    const at = left.indexOf(v);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
}

/**
 * What changed since the customer initialled a receipt, in words. The state of the strings is no change: it becomes another
 * under the bench’s hands.
 */
export function receiptChanges(then: SeenOnReceipt, now: SeenOnReceipt): string[] {
  const said = ({ things }: SeenOnReceipt): string[] =>
    things.map((t) => `${t.name}${t.state ? ` (${t.state})` : ''}`);
  const noted = ({ damage, marks = [] }: SeenOnReceipt): string[] => [...marks, ...(damage ? [damage] : [])];
  return [
    ...without(said(now), said(then)).map((v) => `came with it: ${v}`),
    ...without(said(then), said(now)).map((v) => `no longer named: ${v}`),
    ...without(noted(now), noted(then)).map((v) => `damage: ${v}`),
    ...without(noted(then), noted(now)).map((v) => `damage no longer named: ${v}`),
  ];
}

/** The receipt as it would be printed, and the newest one that was initialled. */
export function receiptView(g: JobWith<'things' | 'marks' | 'receipt'>) {
  const seen = seenOnReceipt(g);
  const { receipt } = g;
  return {
    seen,
    given: receipt && {
      name: receipt.name,
      initials: receipt.initials,
      at: receipt.givenAt.toISOString(),
      since: receiptChanges(receipt.seen, seen),
    },
  };
}

/** The instrument's other visits, the newest first. */
export const visitsView = ({ visits }: Pick<JobParts, 'visits'>) =>
  visits.map((v) => ({
    number: v.number,
    complaint: v.complaint,
    takenInAt: v.takenInAt.toISOString(),
    closedAt: iso(v.closedAt),
  }));
