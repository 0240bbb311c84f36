import type { Construction } from '../instrument/construction.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { convertRelief, type ReliefMethod } from '../neck/relief.ts';
import { LIES_ON, nutSlot } from '../nut/nut-slot.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** How relief, action, nut and intonation are read: practices that stand side by side, chosen by the shop. */
export const METHODS = {
  relief: {
    pressed: 'first and last fret pressed, read at the 7th',
    'capo-joint': 'capo at 1, string held at the body joint, read half way',
    straightedge: 'straightedge along the frets, read at the 7th',
    tapping: 'first and last fret pressed, tapped and listened to',
  },
  action: {
    'at-12': 'open string over the 12th fret',
    'at-17': 'open string over the 17th fret',
    'at-last': 'open string over the last fret',
  },
  'nut-gap': {
    'held-3': 'held behind fret 3',
    'held-2': 'held right on fret 2',
    'on-3': 'held right on fret 3',
    open: 'open height over fret 1',
    feel: 'held behind fret 3, by feel',
  },
  intonation: {
    open: 'fretted 12th against the open string',
    harmonic: 'fretted 12th against the harmonic',
  },
} as const;

export type MethodOf<Q extends keyof typeof METHODS> = keyof (typeof METHODS)[Q];

/** The methods in force on a round. */
export interface Methods {
  readonly relief: MethodOf<'relief'>;
  readonly action: MethodOf<'action'>;
  readonly 'nut-gap': MethodOf<'nut-gap'>;
  readonly intonation: MethodOf<'intonation'>;
}

export const USUAL_METHODS: Methods = {
  relief: 'pressed',
  action: 'at-12',
  'nut-gap': 'held-3',
  intonation: 'open',
};

/** The fret the action is read at by a method. */
export function actionFret(method: MethodOf<'action'>, frets: number): number {
  return method === 'at-12' ? 12 : method === 'at-17' ? Math.min(17, frets) : frets;
}

/** What a method of a quantity is called, as it is printed with the reading. */
export function methodWords(quantity: Quantity, methods: Methods): string {
  if (quantity === 'relief') return METHODS.relief[methods.relief];
  if (quantity === 'action') return METHODS.action[methods.action];
  if (quantity === 'nut-gap') return METHODS['nut-gap'][methods['nut-gap']];
  if (quantity === 'intonation') return METHODS.intonation[methods.intonation];
  return QUANTITY_FACTS[quantity].method;
}

const middle = (low: number, high: number): number => Math.round((low + high) / 2);

/** The pressed frets and the fret read of a way to read relief. */
export function reliefMethod(method: MethodOf<'relief'>, { frets, bodyFret }: Construction): ReliefMethod {
  const joint = Math.min(bodyFret, frets);
  return method === 'capo-joint'
    ? { low: 1, high: joint, at: middle(1, joint) }
    : { low: 1, high: frets, at: 7 };
}

/** What a string's neighbours tell, for conversions that need them: heights at nut and 12th fret, mm. */
export interface StringHeights {
  readonly nut: number;
  readonly action12: number;
  readonly relief: number;
}

/** Height of fret n's top over the plane when relief r is read at the 7th: an even dip between first and last fret. */
function dipAt(c: Construction, relief: number, fret: number): number {
  if (fret <= 1 || fret >= c.frets) return 0;
  const at = { low: 1, high: c.frets, at: fret };
  return -convertRelief(c.scale, relief, reliefMethod('pressed', c), at).value;
}

/**
 * Relief as the shop's reference method (first and last fret pressed, at the 7th) would show it.
 * @example the same neck shows less between capo and joint than between first and last fret
 */
export const reliefAsPressed = (c: Construction, value: number, method: MethodOf<'relief'>): number =>
  method === 'capo-joint'
    ? convertRelief(c.scale, value, reliefMethod(method, c), reliefMethod('pressed', c)).value
    : value;

/** The other way: what `method` shows where the reference would show `value`. */
export const reliefBy = (c: Construction, value: number, method: MethodOf<'relief'>): number =>
  method === 'capo-joint'
    ? convertRelief(c.scale, value, reliefMethod('pressed', c), reliefMethod(method, c)).value
    : value;

/**
 * Action at the 12th from one read at another fret: the line through the nut's height and the reading.
 * @param h `nut` height over the fret plane and `relief`, mm; its `action12` is not used
 */
export function actionAt12(
  c: Construction,
  value: number,
  fret: number,
  h: Pick<StringHeights, 'nut' | 'relief'>,
): number {
  const share = fretPosition(c.scale, 12) / fretPosition(c.scale, fret);
  return h.nut + (value + dipAt(c, h.relief, fret) - h.nut) * share - dipAt(c, h.relief, 12);
}

/** Action at another fret from one at the 12th: the inverse of {@link actionAt12}. */
export function actionAt(
  c: Construction,
  at12: number,
  fret: number,
  h: Pick<StringHeights, 'nut' | 'relief'>,
): number {
  const share = fretPosition(c.scale, fret) / fretPosition(c.scale, 12);
  return h.nut + (at12 + dipAt(c, h.relief, 12) - h.nut) * share - dipAt(c, h.relief, fret);
}

/** The fret the string lies on by each way to read the gap over fret 1: a finger behind fret 3 lays it on fret 2. */
const LAID_ON = { 'held-3': 2, 'held-2': 2, 'on-3': 3, feel: 2 } as const;

const REFERENCE = nutSlot(LIES_ON, 0, 0).perGap;

/**
 * Gap over fret 1 with the string held behind fret 3, from a gap read another way.
 * @param value mm
 * @param action12 of the same string, mm: only the open height needs it
 */
export function gapHeldAt3(
  c: Construction,
  value: number,
  method: MethodOf<'nut-gap'>,
  action12: number,
): number {
  if (method !== 'open') return (value * nutSlot(LAID_ON[method], 0, 0).perGap) / REFERENCE;
  const share = fretPosition(c.scale, 1) / fretPosition(c.scale, 12);
  return (value - action12 * share) / (1 - share) / REFERENCE;
}

/** The inverse of {@link gapHeldAt3}: what `method` shows where held behind 3 would show `value`. */
export function gapBy(c: Construction, value: number, method: MethodOf<'nut-gap'>, action12: number): number {
  const nut = value * REFERENCE;
  if (method !== 'open') return nut / nutSlot(LAID_ON[method], 0, 0).perGap;
  const share = fretPosition(c.scale, 1) / fretPosition(c.scale, 12);
  return nut * (1 - share) + action12 * share;
}
