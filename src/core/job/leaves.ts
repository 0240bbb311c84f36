/** A job's six leaves, in the order of the work. */
export const LEAVES = ['arrival', 'inspection', 'readings', 'plan', 'work', 'hand-over'] as const;
export type Leaf = (typeof LEAVES)[number];

export const LEAF_NAMES: Readonly<Record<Leaf, string>> = {
  arrival: 'Arrival',
  inspection: 'Inspection',
  readings: 'Readings',
  plan: 'Plan',
  work: 'Work',
  'hand-over': 'Hand-over',
};

/** How a leaf stands: done, begun, not begun, or wanting a decision (with the words for it). */
export type LeafState =
  | { readonly kind: 'done' | 'begun' | 'open' }
  | { readonly kind: 'trouble'; readonly count: number; readonly why: string };

/** The counts a job's leaves are judged by. */
export interface JobFacts {
  readonly answered: number;
  readonly items: number;
  readonly inspectionFinished: boolean;
  readonly read: number;
  readonly stations: number;
  readonly stale: number;
  readonly linesOpen: number;
  readonly linesDecided: number;
  readonly asked: number;
  readonly stepsOpen: number;
  readonly stepsDone: number;
  readonly asLeftRead: number;
  readonly benchChecked: boolean;
  readonly signed: boolean;
}

/** Nothing done yet. */
export const NO_FACTS: JobFacts = {
  answered: 0,
  items: 0,
  inspectionFinished: false,
  read: 0,
  stations: 0,
  stale: 0,
  linesOpen: 0,
  linesDecided: 0,
  asked: 0,
  stepsOpen: 0,
  stepsDone: 0,
  asLeftRead: 0,
  benchChecked: false,
  signed: false,
};

const state = (done: boolean, begun: boolean): LeafState => ({
  kind: done ? 'done' : begun ? 'begun' : 'open',
});

/** The state of every leaf from the job's counts. */
export function leafStates(f: JobFacts): Readonly<Record<Leaf, LeafState>> {
  const agreed = f.stepsOpen + f.stepsDone > 0;
  const readings: LeafState =
    f.stale > 0 && !f.signed
      ? { kind: 'trouble', count: f.stale, why: `${f.stale} stale` }
      : state(f.stations > 0 && f.read >= f.stations, f.read > 0);
  const plan: LeafState =
    f.linesOpen > 0 && f.read >= f.stations && !agreed
      ? { kind: 'trouble', count: f.linesOpen, why: `${f.linesOpen} to decide` }
      : state(agreed && f.asked === 0, f.linesDecided > 0 || agreed);
  return {
    arrival: { kind: 'done' },
    inspection: state(f.inspectionFinished, f.answered > 0),
    readings,
    plan,
    work: state(agreed && f.stepsOpen === 0, f.stepsDone > 0),
    'hand-over': state(f.signed, f.benchChecked || f.asLeftRead > 0),
  };
}
