import { usualConstruction } from '../../instrument/defaults.ts';
import { type Kind } from '../../instrument/kinds.ts';
import type { Construction } from '../../instrument/construction.ts';
import type { Quantity } from '../../readings/quantities.ts';
import type { Reading } from '../../readings/reading.ts';
import { stationKey } from '../../readings/stations.ts';
import type { Touch } from '../../targets/target.ts';
import { type Case, type CaseFinding } from './case.ts';
import { type CaseAnswer } from './case-answer.ts';

export type Read = Readonly<Record<string, number>>;

const reading = (at: string, value: number): Reading => {
  const [quantity = '', string = '0', fret = '0'] = at.split(':');
  return {
    key: stationKey(quantity as Quantity, Number(string), Number(fret)),
    quantity: quantity as Quantity,
    string: Number(string),
    fret: Number(fret),
    value,
    round: 'as-found',
    takenAt: 0,
    notRepresentative: null,
  };
};

/** Short names of the usual places, for a kind: relief, the two sides' action, saddle standing out, nut gaps. */
function places(kind: Kind, read: Read): Reading[] {
  const count = usualConstruction(kind).strings.length;
  const at: Readonly<Record<string, string>> = {
    relief: 'relief:0:7',
    bass: `action:${count}:12`,
    treble: 'action:1:12',
    standout: 'saddle-standout:0:0',
    'low nut': `nut-gap:${count}:1`,
    'high nut': 'nut-gap:1:1',
    bridge: 'bridge-thickness:0:0',
    slot: 'slot-depth:0:0',
  };
  return Object.entries(read).map(([name, value]) => reading(at[name] ?? name, value));
}

/** What a case says beside readings and findings. */
export interface More {
  readonly touch?: Touch;
  readonly worth?: number;
  readonly construction?: Partial<Construction>;
  readonly turns?: Case['turns'];
}

/** A case in short words. */
export const caseOf = (kind: Kind, read: Read, found: readonly string[], more: More = {}): Case => ({
  construction: { ...usualConstruction(kind), ...more.construction },
  touch: more.touch ?? 'medium',
  worth: more.worth ?? null,
  readings: places(kind, read),
  findings: found.map((f): CaseFinding => {
    const [item = '', finding] = f.split(' ');
    return { item, ...(finding !== undefined && { finding }) };
  }),
  turns: more.turns ?? [],
});

const UNDER_THE_EDGE = [5, 7, 9, 12, 17, 19] as const;

/** Gaps under the straightedge at frets 5, 7, 9, 12, 17 and 19; both sides alike where only one is given. */
export const edge = (bass: readonly number[], treble: readonly number[] = bass): Read =>
  Object.fromEntries(
    UNDER_THE_EDGE.flatMap((fret, i) => [
      [`straightedge:3:${fret}`, bass[i] ?? 0],
      [`straightedge:1:${fret}`, treble[i] ?? 0],
    ]),
  );

/** Right for a steel acoustic. */
export const GOOD: Read = { relief: 0.2, bass: 2.2, treble: 1.7, standout: 3.5 };
/** What takes wood, bone or metal away. */
export const CUTS =
  'saddle-lower saddle-new saddle-raise nut-slots nut-new bridge-thin neck-reset compensate fret-spot fret-dress'.split(
    ' ',
  );
/** The plan that is enough. */
export const enough = (a: CaseAnswer) => {
  const plan = a.plans.find((p) => p.id === 'enough');
  if (!plan) throw new Error(a.because ?? 'no plan');
  return plan;
};
/** Its steps, each with its direction. */
export const does = (a: CaseAnswer): readonly string[] =>
  enough(a).steps.map((s) => (s.direction ? `${s.operation} ${s.direction}` : s.operation));
