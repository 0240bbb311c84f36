import { cameOut, differences, shares, type CameOut, type Outcome } from './came-out.ts';

export const FACT_KINDS = {
  cut: 'Cuts of saddle and nut',
  turn: 'Turns of the rod',
  plan: 'What a plan said would stand there',
  minutes: 'Minutes of a step',
} as const;
export type FactKind = keyof typeof FACT_KINDS;

/** One thing that was meant or told beforehand, and what came of it. */
export interface Fact extends Outcome {
  readonly what: FactKind;
  /** the operation or the place, in words */
  readonly group: string;
  /** the kind of instrument, in words */
  readonly kind: string;
  readonly unit: 'mm' | 'cents' | 'min';
  /** ms */
  readonly at: number;
}

/** How facts of one group came out: as a share where what was meant is a size, else as a difference. */
export interface FactGroup {
  readonly label: string;
  readonly unit: 'share' | 'mm' | 'cents';
  readonly out: CameOut;
  /** the same by kind of instrument, where there is more than one */
  readonly kinds: readonly { readonly label: string; readonly out: CameOut }[];
}

/** Cuts and minutes are sizes: they come out as a share of what was said. */
const BY_SHARE: Readonly<Record<FactKind, boolean>> = { cut: true, turn: false, plan: false, minutes: true };

function groupBy<T>(all: readonly T[], key: (t: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const t of all) {
    const own = groups.get(key(t));
    if (own) own.push(t);
    else groups.set(key(t), [t]);
  }
  return groups;
}

const outOf = (what: FactKind, facts: readonly Fact[]): CameOut | null =>
  cameOut(BY_SHARE[what] ? shares(facts) : differences(facts));

/** How everything of one sort came out, group by group, those with most behind them first. */
export function factGroups(what: FactKind, facts: readonly Fact[]): readonly FactGroup[] {
  const own = facts.filter((f) => f.what === what);
  return [...groupBy(own, (f) => f.group)]
    .flatMap(([label, all]): FactGroup[] => {
      const out = outOf(what, all);
      const unit = BY_SHARE[what] ? 'share' : all[0]?.unit === 'cents' ? 'cents' : 'mm';
      if (!out) return [];
      const byKind = [...groupBy(all, (f) => f.kind)].flatMap(([kind, some]) => {
        const of = outOf(what, some);
        return of ? [{ label: kind, out: of }] : [];
      });
      const kinds = byKind.length > 1 ? byKind.sort((a, b) => b.out.count - a.out.count) : [];
      return [{ label, unit, out, kinds }];
    })
    .sort((a, b) => b.out.count - a.out.count);
}
