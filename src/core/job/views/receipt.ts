import { VIEW_NAMES } from '../../instrument/outline.ts';
import { STRINGS_STATES } from '../../readings/conditions.ts';
import type { JobParts, JobWith, SeenOnReceipt } from '../job-parts.ts';
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
  strings: STRINGS_STATES[g.job.stringsState],
});

/** What a receipt says, to compare: the state of the strings may change under the bench’s hands. */
const shown = ({ things, damage, marks = [] }: SeenOnReceipt): string =>
  JSON.stringify([things.map((t) => [t.name, t.state]), damage, marks]);

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
      same: shown(receipt.seen) === shown(seen),
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
