import type { Construction } from '../instrument/construction.ts';
import { convertRelief } from '../neck/relief.ts';
import { LIES_ON, nutSlot } from '../nut/nut-slot.ts';
import { actionAt12, gapHeldAt3, METHODS, reliefAsPressed, reliefMethod, type MethodOf } from './methods.ts';
import { latestReadings, type Reading } from './reading.ts';
import { ACTION_FRET, RELIEF_FRET, stationKey } from './stations.ts';

/** The gap over fret 1 taken for granted where the nut was not read, mm. */
const USUAL_GAP = 0.12;
/** The action at the 12th taken for granted where it was not read, mm. */
const USUAL_ACTION = 2;

const isMethod = <Q extends keyof typeof METHODS>(
  quantity: Q,
  id: string | undefined,
): id is MethodOf<Q> & string => id !== undefined && id in METHODS[quantity];

/** Relief read with a capo: at the 7th's station half way to the joint, at a further fret there itself. */
function reliefOf<R extends Reading>(c: Construction, r: R): R {
  if (!isMethod('relief', r.methodId) || r.methodId !== 'capo-joint') return r;
  const converted = METHODS.relief[r.methodId];
  if (r.fret === RELIEF_FRET) return { ...r, value: reliefAsPressed(c, r.value, r.methodId), converted };
  const { low, high } = reliefMethod(r.methodId, c);
  if (r.fret <= low || r.fret >= high) return r;
  const { value } = convertRelief(
    c.scale,
    r.value,
    { low, high, at: r.fret },
    { low, high: c.frets, at: r.fret },
  );
  return { ...r, value, converted };
}

function gapOf<R extends Reading>(c: Construction, r: R, action12: number): R {
  if (r.methodId !== 'on-3' && r.methodId !== 'open') return r;
  const value = gapHeldAt3(c, r.value, r.methodId, action12);
  return { ...r, value, converted: METHODS['nut-gap'][r.methodId] };
}

/**
 * Readings as the shop's sums want them: relief between first and last fret, action at the 12th, gaps held at fret 3.
 * What was read another way is converted and says so; an action read elsewhere gives one at the 12th where none newer was
 * read there itself. Nothing that was read is lost: the result holds every place.
 * @example action 2.9 at the last fret gives an action at 12 of about 2.1, `converted` from the last fret
 */
export function standardReadings<R extends Reading>(c: Construction, readings: readonly R[]): readonly R[] {
  const relief = readings.map((r) => (r.quantity === 'relief' ? reliefOf(c, r) : r));
  const latest = latestReadings(relief);
  const dip = latest.get(stationKey('relief', 0, 7))?.value ?? 0;
  const slot = nutSlot(LIES_ON, 0, 0).perGap;
  const action12 = (string: number): number =>
    latest.get(stationKey('action', string, ACTION_FRET))?.value ??
    [...latest.values()].find((r) => r.quantity === 'action' && r.string === string)?.value ??
    USUAL_ACTION;
  const gaps = relief.map((r) => (r.quantity === 'nut-gap' ? gapOf(c, r, action12(r.string)) : r));
  const known = latestReadings(gaps);
  const nutOf = (string: number): number =>
    (known.get(stationKey('nut-gap', string, 1))?.value ?? USUAL_GAP) * slot;
  const elsewhere = gaps.filter(
    (r) => r.quantity === 'action' && r.fret !== ACTION_FRET && r.notRepresentative === null,
  );
  const derived = elsewhere.flatMap((r) => {
    const key = stationKey('action', r.string, ACTION_FRET);
    const direct = known.get(key);
    if (direct !== undefined && direct.takenAt >= r.takenAt) return [];
    const value = actionAt12(c, r.value, r.fret, { nut: nutOf(r.string), relief: dip });
    return [{ ...r, key, fret: ACTION_FRET, value, converted: `read over fret ${r.fret}` }];
  });
  return [...gaps, ...derived];
}
