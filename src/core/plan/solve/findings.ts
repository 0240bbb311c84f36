import { offered, type Problem } from './problem.ts';
import { tooDear } from './fret-ways.ts';

/** What to do about a finding: repair it, or leave it and watch, with the numbers that decide. */
export interface FindingCall {
  readonly item: string;
  readonly title: string;
  readonly choice: 'repair' | 'leave and watch';
  readonly because: string;
  readonly would: string;
}

/** Decides for each finding between repairing it and leaving it with something to watch for. */
export function findingCalls(p: Problem): FindingCall[] {
  const money = (v: number) => `${p.currency}${(v / 100).toFixed(2)}`;
  return p.findings.map((f) => {
    const op = offered(p, f.leadsTo);
    const dear = tooDear(p, f.leadsTo);
    const base = { item: f.item, title: f.title };
    if (op === null)
      return {
        ...base,
        choice: 'leave and watch' as const,
        because: 'The shop does not do this work.',
        would: 'Ask a shop that does.',
      };
    if (dear !== null)
      return {
        ...base,
        choice: 'leave and watch' as const,
        because: dear.because,
        would: `${dear.would} Watch it: act when it moves or is heard.`,
      };
    const worth =
      p.worth.amount === null
        ? 'What the instrument is worth is not known; '
        : `${Math.round(((op.price + op.parts) / p.worth.amount) * 100)} % of what it is worth; `;
    return {
      ...base,
      choice: 'repair' as const,
      because: `${op.name}: ${money(op.price + op.parts)}, ${op.minutes.likely} minutes${op.reversible ? '' : ', cannot be undone'}. ${worth}${f.note === '' ? 'the inspection says it needs work.' : f.note}`,
      would: `Left alone: read or look again at the next visit, and act when it has grown. At a worth under ${money((op.price + op.parts) / p.worth.share)} leaving it is the better answer.`,
    };
  });
}
