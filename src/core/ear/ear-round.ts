import type { Heard, Refused } from '../sound/hear.ts';
import { centsFrom } from '../sound/note-of.ts';
import type { Hz } from '../units/unit-types.ts';
import type { EarPlan, EarStep, EarString } from './ear-plan.ts';

/** One pluck that counts: its pitch, the doubt of it (one standard deviation in cents), and B of its partials. */
export interface EarPluck {
  readonly hz: Hz;
  readonly doubt: number;
  readonly b: number;
}

/** What came of the last thing that was heard. */
export type Outcome =
  /** out of tune by so many cents */
  | { readonly kind: 'out-of-tune'; readonly cents: number }
  /** in tune, and to be heard once more: it was out of tune just before */
  | { readonly kind: 'settling'; readonly cents: number }
  /** in tune a moment ago, and so many cents lower (+ higher) now */
  | { readonly kind: 'gave-way'; readonly cents: number }
  | { readonly kind: 'tuned'; readonly cents: number }
  /** it counts; cents from what it should be */
  | { readonly kind: 'counted'; readonly cents: number; readonly doubt: number; readonly of: number }
  /** the place is done */
  | { readonly kind: 'done'; readonly cents: number; readonly doubt: number }
  /** its plucks differ too much: it falls from one to the next, or they scatter, by so many cents */
  | { readonly kind: 'differs'; readonly cents: number; readonly falls: boolean }
  /** known too badly to count, cents */
  | { readonly kind: 'unsure'; readonly doubt: number }
  /** another place of the plan was played */
  | { readonly kind: 'elsewhere'; readonly string: number; readonly fret: number }
  | { readonly kind: 'refused'; readonly why: Refused }
  | { readonly kind: 'knocked' }
  | { readonly kind: 'begun-again' }
  | { readonly kind: 'skipped' };

/** Where a round by ear stands. */
export interface EarRound {
  readonly plan: EarPlan;
  /** the step that is heard now; past the last: everything was */
  readonly at: number;
  /** the plucks that count, by step */
  readonly plucks: readonly (readonly EarPluck[])[];
  readonly last: Outcome | null;
  /** it stood in tune at the last pluck, cents from its target; null where it did not */
  readonly stood: number | null;
  /** whether the string that is tuned was out of tune at first: then it has to stand twice */
  readonly wasOut: boolean;
}

/** What a place comes to. */
export interface EarResult {
  /** 1 is the highest */
  readonly string: number;
  readonly fret: number;
  /** each pluck's cents against the reference, sharp positive */
  readonly cents: readonly number[];
  /** what the ear may be off beside their spread: its own doubt and the reference's, one standard deviation */
  readonly doubt: number;
}

/** In tune, and settled, cents. */
export const IN_TUNE = 2;
const SETTLED = 1.5;
/** A place is done when the mean of its plucks is known so well, one standard deviation in cents. */
export const SURE = 0.6;
const LEAST_PLUCKS = 2;
const MOST_PLUCKS = 5;
/** After so many it is said that they differ. */
const DIFFER_AFTER = 3;
const MOST_DOUBT = 1.5;
/** A string that is tuned is itself as far as that from its target: a new one comes up from there. A place from where it is expected, cents. */
const SLACK = 1400;
const NEAR = 70;
const FALLS = 2;

export const beginEarRound = (plan: EarPlan): EarRound => ({
  plan,
  at: 0,
  plucks: plan.steps.map(() => []),
  last: null,
  stood: null,
  wasOut: false,
});

export const stepNow = ({ plan, at }: EarRound): EarStep | null => plan.steps[at] ?? null;
export const stringOf = (plan: EarPlan, step: EarStep): EarString | null => plan.strings[step.string] ?? null;

/** As cents are written down. */
const hundredths = (cents: number): number => Math.round(100 * cents) / 100;

const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / Math.max(1, all.length);

/** How well the mean of plucks is known: by how they lie around it, and by the doubt each has. */
function spreadOf(plucks: readonly EarPluck[]): { readonly sure: number; readonly range: number } {
  const [first] = plucks;
  if (!first) return { sure: Infinity, range: 0 };
  const cents = plucks.map((p) => centsFrom(p.hz, first.hz));
  const middle = mean(cents);
  const n = cents.length;
  const squares = cents.reduce((sum, c) => sum + (c - middle) ** 2, 0);
  const sd = n < 2 ? Infinity : Math.sqrt(squares / (n - 1) / n);
  return { sure: sd, range: Math.max(...cents) - Math.min(...cents) };
}

const pitchOf = (plucks: readonly EarPluck[]): Hz | null => {
  const [first] = plucks;
  return first ? first.hz * 2 ** (mean(plucks.map((p) => centsFrom(p.hz, first.hz))) / 1200) : null;
};

/** The reference plucks of a string so far. */
const referencePlucks = ({ plan, plucks }: EarRound, string: number): readonly EarPluck[] =>
  plucks[plan.steps.findIndex((s) => s.string === string && s.kind === 'reference')] ?? [];

/** How many times the open string's pitch the reference has. */
const referenceRatio = (plan: EarPlan): number => (plan.reference === 'harmonic' ? 2 : 1);

/** The open pitch a string has now as far as it is known: heard, else its target. */
export function openPitch(round: EarRound, string: number): Hz {
  const heard = pitchOf(referencePlucks(round, string));
  return heard === null ? (round.plan.strings[string]?.hz ?? 0) : heard / referenceRatio(round.plan);
}

/** An open string as it was heard, by its reference: its pitch and B; null where it was not. */
export function openHeard(round: EarRound, string: number): { readonly hz: Hz; readonly b: number } | null {
  const plucks = referencePlucks(round, string);
  const hz = pitchOf(plucks);
  // A harmonic has every second partial of the string: B is four times as large there.
  const ratio = referenceRatio(round.plan);
  return hz === null ? null : { hz: hz / ratio, b: mean(plucks.map((p) => p.b)) / (ratio * ratio) };
}

/** The pitch a step should have. */
export function expectedPitch(round: EarRound, step: EarStep): Hz {
  const open = openPitch(round, step.string);
  if (step.kind === 'fretted') return open * 2 ** (step.fret / 12);
  const target = round.plan.strings[step.string]?.hz ?? open;
  return step.kind === 'tune' ? target : open * referenceRatio(round.plan);
}

/** The pitches that may come now: those of the string that is listened to. */
export function awaitedPitches(round: EarRound): readonly Hz[] {
  const step = stepNow(round);
  if (!step) return [];
  const own = round.plan.steps.filter((s) => s.string === step.string);
  return [...new Set(own.map((s) => expectedPitch(round, s)))];
}

interface Place {
  readonly string: number;
  readonly fret: number;
  readonly off: number;
}

/** Which place a pitch was most likely played at: the one that is awaited where it is near, else the nearest of all. */
function placeOf(round: EarRound, step: EarStep, hz: Hz): Place | null {
  const { plan } = round;
  const away = (string: number, fret: number, pitch: Hz): Place => ({
    string,
    fret,
    off: Math.abs(centsFrom(hz, pitch)),
  });
  const others = plan.strings.map((s, i) => away(i, 0, i === step.string ? openPitch(round, i) : s.hz));
  const here = away(step.string, step.fret, expectedPitch(round, step));
  const held = plan.steps
    .filter((s) => s.string === step.string && s.kind === 'fretted')
    .map((s) => away(s.string, s.fret, expectedPitch(round, s)));
  if (step.kind === 'tune') {
    // A slack string is itself as long as nothing else is nearer.
    const nearer = [...others, ...held].some(
      (o) => (o.string !== step.string || o.fret !== 0) && o.off < here.off && o.off < NEAR,
    );
    if (here.off < SLACK && !nearer) return here;
  } else if (here.off < NEAR) return here;
  const nearest = [...others, ...held].sort((a, b) => a.off - b.off)[0];
  return nearest && nearest.off < NEAR ? nearest : null;
}

const saying = (round: EarRound, last: Outcome): EarRound => ({ ...round, last });

const next = (round: EarRound, last: Outcome): EarRound => ({
  ...round,
  at: round.at + 1,
  last,
  stood: null,
  wasOut: false,
});

const withPlucks = (round: EarRound, at: number, plucks: readonly EarPluck[]): EarRound => ({
  ...round,
  plucks: round.plucks.map((p, i) => (i === at ? plucks : p)),
});

/** A pluck while a string is tuned: in tune at once, or twice one after the other where it was not. */
function tuning(round: EarRound, step: EarStep, pluck: EarPluck): EarRound {
  const cents = centsFrom(pluck.hz, expectedPitch(round, step));
  if (Math.abs(cents) > IN_TUNE) {
    const gave = round.stood === null ? null : cents - round.stood;
    const last: Outcome = gave === null ? { kind: 'out-of-tune', cents } : { kind: 'gave-way', cents: gave };
    return { ...saying(round, last), stood: null, wasOut: true };
  }
  if (round.wasOut && round.stood === null)
    return { ...saying(round, { kind: 'settling', cents }), stood: cents };
  const moved = round.stood === null ? 0 : cents - round.stood;
  if (Math.abs(moved) > SETTLED)
    return { ...saying(round, { kind: 'gave-way', cents: moved }), stood: cents };
  const on = next(round, { kind: 'tuned', cents });
  // Heard open in tune, it is the first of its reference too.
  return round.plan.reference === 'open' ? withPlucks(on, on.at, [pluck]) : on;
}

/** A pluck of a place that is measured. */
function measuring(round: EarRound, step: EarStep, pluck: EarPluck): EarRound {
  const plucks = [...(round.plucks[round.at] ?? []), pluck].slice(-MOST_PLUCKS);
  const kept = withPlucks(round, round.at, plucks);
  const { sure, range } = spreadOf(plucks);
  const from = step.kind === 'fretted' ? expectedPitch(round, step) : (stringOf(round.plan, step)?.hz ?? 0);
  const ratio = step.kind === 'reference' ? referenceRatio(round.plan) : 1;
  const cents = centsFrom(pitchOf(plucks) ?? pluck.hz, from * ratio);
  if (plucks.length >= LEAST_PLUCKS && sure <= SURE)
    return next(kept, { kind: 'done', cents: hundredths(cents), doubt: sure });
  if (plucks.length >= DIFFER_AFTER) {
    const run = plucks.map((p) => centsFrom(p.hz, plucks[0]?.hz ?? p.hz));
    const falls = run.every((c, i) => i === 0 || c < (run[i - 1] ?? 0)) && range > FALLS;
    return saying(kept, { kind: 'differs', cents: range, falls });
  }
  return saying(kept, { kind: 'counted', cents, doubt: pluck.doubt, of: plucks.length });
}

/** A pluck was heard: it counts, or what it was. */
export function hearPluck(round: EarRound, heard: Heard): EarRound {
  const step = stepNow(round);
  if (!step) return round;
  const { hz, uncertainty, inharmonicity, refused } = heard;
  if (hz === null || (refused !== null && refused !== 'not-this-string'))
    return saying(round, { kind: 'refused', why: refused ?? 'too-noisy' });
  const place = placeOf(round, step, hz);
  if (place === null) return saying(round, { kind: 'refused', why: 'not-this-string' });
  const open = step.kind === 'tune' || step.kind === 'reference';
  if (place.string !== step.string || place.fret !== (open ? 0 : step.fret))
    return saying(round, { kind: 'elsewhere', string: place.string, fret: place.fret });
  const doubt = uncertainty ?? Infinity;
  if (doubt > MOST_DOUBT) return saying(round, { kind: 'unsure', doubt });
  const pluck = { hz, doubt, b: inharmonicity ?? 0 };
  return step.kind === 'tune' ? tuning(round, step, pluck) : measuring(round, step, pluck);
}

/** What one may say to a round by ear. */
export const EAR_WORDS = ['again', 'skip', 'stop'] as const;
export type EarWord = (typeof EAR_WORDS)[number];

/** What so many knocks on the body mean; null: nothing. */
export const knocksMean = (count: number): EarWord | null =>
  count === 2 ? 'again' : count === 3 ? 'skip' : count >= 4 ? 'stop' : null;

/** Once more: what is heard now, or where nothing was heard of it yet what was before. */
export function hearAgain(round: EarRound): EarRound {
  const fresh = (round.plucks[round.at] ?? []).length === 0;
  const at = fresh ? Math.max(0, Math.min(round.at, round.plan.steps.length) - 1) : round.at;
  return { ...withPlucks(round, at, []), at, last: { kind: 'begun-again' }, stood: null, wasOut: false };
}

/** Leaves the step out; what hangs on its reference goes with it. */
export function skipStep(round: EarRound): EarRound {
  const step = stepNow(round);
  if (!step) return round;
  const emptied = withPlucks(round, round.at, []);
  if (step.kind !== 'reference') return next(emptied, { kind: 'skipped' });
  const after = round.plan.steps.findIndex((s, i) => i > round.at && s.string !== step.string);
  return { ...next(emptied, { kind: 'skipped' }), at: after < 0 ? round.plan.steps.length : after };
}

/** What the places of a string came to, in the order they are heard. */
export const resultsOf = (round: EarRound, string: number): readonly EarResult[] =>
  round.plan.steps.flatMap((s, at) => {
    const result = s.string === string && at < round.at ? resultOf(round, at) : null;
    return result ? [result] : [];
  });

/** A result's mean, and what it may be off: its own doubt and how its plucks lie, one standard deviation, cents. */
export function meanOf({ cents, doubt }: EarResult): { readonly cents: number; readonly doubt: number } {
  const middle = mean(cents);
  const squares = cents.reduce((sum, c) => sum + (c - middle) ** 2, 0);
  const n = cents.length;
  return { cents: middle, doubt: Math.hypot(doubt, n < 2 ? 0 : Math.sqrt(squares / (n - 1) / n)) };
}

/** What a step came to; null where it was not heard against a reference. */
export function resultOf(round: EarRound, at: number): EarResult | null {
  const step = round.plan.steps[at];
  const string = step && stringOf(round.plan, step);
  const plucks = round.plucks[at] ?? [];
  if (step?.kind !== 'fretted' || !string || plucks.length === 0) return null;
  const references = referencePlucks(round, step.string);
  if (references.length === 0) return null;
  const from = expectedPitch(round, step);
  const own = Math.sqrt(mean(plucks.map((p) => p.doubt ** 2)) / plucks.length);
  const reference = Math.hypot(
    Math.sqrt(mean(references.map((p) => p.doubt ** 2)) / references.length),
    references.length < 2 ? SURE : spreadOf(references).sure,
  );
  return {
    string: string.number,
    fret: step.fret,
    cents: plucks.map((p) => hundredths(centsFrom(p.hz, from))),
    doubt: Math.hypot(own, reference),
  };
}
