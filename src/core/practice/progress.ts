import { FAULT_GROUPS, type FaultGroup } from './faults/fault.ts';
import type { Opened } from './opened.ts';

/** How somebody does with one kind of fault. */
export interface GroupProgress {
  readonly group: FaultGroup;
  readonly name: string;
  /** how many of them they met, named and put right */
  readonly met: number;
  readonly named: number;
  readonly cured: number;
}

/** What is kept of a finished one for counting. */
export type Finished = Pick<Opened, 'score'> & {
  readonly faults: readonly Pick<Opened['faults'][number], 'group' | 'named' | 'cured'>[];
};

/** One's own progress by kind of fault, in the order of an instrument. */
export function progressOf(finished: readonly Finished[]): readonly GroupProgress[] {
  const all = finished.flatMap((f) => f.faults);
  return (Object.keys(FAULT_GROUPS) as FaultGroup[]).map((group) => {
    const of = all.filter((f) => f.group === group);
    return {
      group,
      name: FAULT_GROUPS[group],
      met: of.length,
      named: of.filter((f) => f.named).length,
      cured: of.filter((f) => f.cured).length,
    };
  });
}

/** The kind of fault to try next: the one met least, then the one named least often; the first of several. */
export function nextToTry(progress: readonly GroupProgress[]): FaultGroup | null {
  const sorted = [...progress].sort(
    (a, b) => a.met - b.met || a.named / Math.max(1, a.met) - b.named / Math.max(1, b.met),
  );
  return sorted[0]?.group ?? null;
}
