import { formatMoney } from '../../money/currency.ts';
import { acrossBoard, hasOwnSaddles, isAdjustable } from '../../instrument/construction.ts';
import { verdict } from '../../targets/target.ts';
import { slotFloor } from '../../saddle/slot-floor.ts';
import { formatLength } from '../../units/format-length.ts';
import { breakAngleAfter, type Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { isOut, standings, type Stands } from './judge-outcome.ts';
import { tooDear } from './fret-ways.ts';
import { offered, type Problem } from './problem.ts';
import { along, LEAST, liftsOf, saddlePart, withSaddle, type Lifts, type Need } from './saddle-parts.ts';
import { none, stay, type Part, type Refused, type Sizes, type Way, type Ways } from './way.ts';

const mm = (v: number): string => formatLength(v, 'mm');

interface Frame {
  readonly p: Problem;
  readonly moves: Moves;
  readonly need: Need;
  readonly refused: Refused[];
  readonly ways: Way[];
}

/**
 * What one string's own saddle does beside the lift of the sides, mm. Saddles on screws follow the sides, and one is moved by
 * itself only where it would then stand out; those that are sanded one by one are left where they stand well.
 */
function ownLift(p: Problem, s: Stands, sides: number, share: number): number {
  const t = p.targets.get(s.judged.key);
  if (!t || s.judged.index === 0 || s.judged.index === p.model.construction.strings.length - 1) return 0;
  const fixed = !isAdjustable(p.model.construction);
  const then = fixed ? s.value : s.value + sides * share;
  const says = verdict(then, t, s.judged.tells);
  const alone = says === 'low' || says === 'high' ? (t.aim - then) / share : 0;
  return fixed ? alone - sides : alone;
}

/** Of two lifts the smaller; none where they go different ways. */
const nearerNothing = (a: number, b: number): number =>
  a * b <= 0 ? 0 : Math.sign(a) * Math.min(Math.abs(a), Math.abs(b));

/**
 * What each string’s own saddle does beside the lift of the sides, mm; one that was not read goes with the sides or with its
 * neighbours, whichever moves it less: a single one that stands out says nothing of the next.
 */
function ownLifts(
  p: Problem,
  [bass, treble]: readonly [number, number],
  side: (index: number) => Stands | undefined,
  share: number,
): readonly number[] {
  const { construction: c } = p.model;
  const sides = c.strings.map((_, i) => along(c, bass, treble, i));
  const whole = sides.map((lift, i) => {
    const s = side(i);
    return s === undefined ? null : lift + ownLift(p, s, lift, share);
  });
  const through = acrossBoard(c, whole);
  return sides.map((side, i) => (whole[i] ?? nearerNothing(side, through[i] ?? 0)) - side);
}

/** Which sides are brought to their aims: those that are out, or each that is not there yet, alone and both. */
function needsOf(p: Problem, o: Outcome, share: number, sizes: Sizes): Need[] {
  const sides = standings(p, o, ['action']);
  const last = p.model.construction.strings.length - 1;
  const side = (index: number) => sides.find((s) => s.judged.index === index);
  const to = (index: number): number => {
    const s = side(index);
    return s ? ((p.targets.get(s.judged.key)?.aim ?? s.value) - s.value) / share : 0;
  };
  const out = (index: number): boolean => {
    const s = side(index);
    return s !== undefined && isOut(s);
  };
  const both = [side(0) ? to(0) : to(last), side(last) ? to(last) : to(0)] as const;
  const need = (atBass: boolean, atTreble: boolean): Need => {
    const [bass, treble] = [atBass ? to(0) : 0, atTreble ? to(last) : 0];
    const own = hasOwnSaddles(p.model.construction) ? ownLifts(p, [bass, treble], side, share) : [];
    return { bass, treble, both, own };
  };
  const asked = need(out(0), out(last));
  const all = sizes === 'asked' ? [asked] : [need(true, true), need(true, false), need(false, true)];
  const same = (a: Need, b: Need): boolean =>
    a.bass === b.bass && a.treble === b.treble && a.own.every((v, i) => v === b.own[i]);
  return all.filter((n, i) => all.findIndex((m) => same(m, n)) === i);
}

/** Why the saddle may not stand there, or null. */
function outsideLimits(p: Problem, lifts: readonly number[]): Pick<Refused, 'because' | 'would'> | null {
  const { standout } = p.model;
  if (standout === null) return null;
  const [least, highest] = [Math.min(...lifts), Math.max(...lifts)];
  const left = standout + least;
  const high = standout + highest;
  const { low, high: most } = p.limits.standout;
  if (left < low - LEAST)
    return {
      because:
        left < 0
          ? `${mm(-least)} would have to come off a saddle that stands ${mm(standout)} out: look at the neck angle.`
          : `Only ${mm(left)} of saddle would stand out, under the ${mm(low)} that must: look at the neck angle.`,
      would: `It would do if the saddle stood out ${mm(low - least)} or more now; it stands ${mm(standout)}.`,
    };
  const angle = breakAngleAfter(p.model, standout + lifts.reduce((a, b) => a + b, 0) / lifts.length);
  if (angle !== null && angle < p.limits.breakAngle)
    return {
      because: `The break angle would fall to ${angle.toFixed(1)}°, under the ${p.limits.breakAngle}° it wants.`,
      would: 'It would do if the string broke more steeply behind the saddle.',
    };
  if (high > most + LEAST)
    return {
      because: `The saddle would stand out ${mm(high)}, over the ${mm(most)} a slot holds.`,
      would: `It would do if it stood out ${mm(most - highest)} or less now.`,
    };
  return null;
}

function tryWay(
  f: Frame,
  name: string,
  parts: readonly Part[],
  moves: Moves,
  wrong: Pick<Refused, 'because' | 'would'> | null,
) {
  const operations = parts.map((x) => x.operation);
  if (operations.some((id) => offered(f.p, id) === null)) return;
  const dear = operations.map((id) => tooDear(f.p, id)).find((d) => d !== null) ?? null;
  const refuse = wrong ?? dear;
  if (refuse !== null) f.refused.push({ group: 'height', operations, ...refuse });
  else f.ways.push({ group: 'height', name, parts, moves, warns: [] });
}

function looseSaddle(f: Frame): void {
  const { p, moves, need } = f;
  const lifts = liftsOf(p, need);
  const unread =
    p.model.standout === null ? ['How far the saddle stands out was not read: read it before cutting.'] : [];
  const before = f.ways.length;
  const [least, most] = [Math.min(...lifts), Math.max(...lifts)];
  const limits = outsideLimits(p, lifts);
  const tried = (name: string, operation: OperationId, wrong: typeof limits) =>
    tryWay(f, name, [saddlePart(f.p, operation, need)], withSaddle(moves, need), wrong);
  if (most <= 0 && least < 0) {
    tried('lower the saddle', 'saddle-lower', limits);
    lowerToLimit(f, limits);
  }
  if (least >= 0 && most > 0) {
    const tooMuch =
      most > p.limits.saddleShim
        ? {
            because: `${mm(most)} under the saddle is over the ${mm(p.limits.saddleShim)} a shim is used for.`,
            would: `It would do for ${mm(p.limits.saddleShim)} or less.`,
          }
        : most - least > LEAST
          ? {
              because: 'One side wants more than the other: a flat shim raises both alike.',
              would: 'It would do if both sides wanted the same.',
            }
          : limits;
    tried('shim the saddle', 'saddle-shim', tooMuch);
    tried('raise the saddle', 'saddle-raise', limits);
  }
  if (least !== 0 || most !== 0) tried('a new saddle', 'saddle-new', limits);
  for (let i = before; i < f.ways.length; i++) f.ways[i] = { ...(f.ways[i] as Way), warns: unread };
}

/** What an answer is called that takes a saddle down to its limit. */
export const TO_ITS_LIMIT = 'lower the saddle as far as it goes';

/** As far down as the saddle may go, where that is not far enough. */
function lowerToLimit(f: Frame, limits: Pick<Refused, 'because' | 'would'> | null): void {
  const { p, moves, need } = f;
  if (limits === null || p.model.standout === null) return;
  const most = p.model.standout - p.limits.standout.low;
  if (most < 0.1) return;
  const [bass, treble] = [Math.max(need.bass, -most), Math.max(need.treble, -most)];
  const less = { bass, treble, own: need.own.map((v) => Math.max(v, -most)) };
  if (outsideLimits(p, liftsOf(p, less)) !== null) return;
  tryWay(f, TO_ITS_LIMIT, [saddlePart(f.p, 'saddle-lower', less)], withSaddle(moves, less), null);
}

/** How far each string's saddle moves, from the lowest string. mm */
const eachLift = (p: Problem, { bass, treble, own }: Lifts): readonly number[] =>
  p.model.construction.strings.map((_, i) => along(p.model.construction, bass, treble, i) + (own[i] ?? 0));

/** Why saddles on screws or wheels go no further, or null. */
function atTheirEnd(p: Problem, lifts: readonly number[]): Pick<Refused, 'because' | 'would'> | null {
  if (p.saddleEnd === 'lowest' && Math.min(...lifts) < -LEAST)
    return {
      because: 'The saddles are at their lowest: they go no further down.',
      would: 'It would do if they had some way down left.',
    };
  if (p.saddleEnd === 'highest' && Math.max(...lifts) > LEAST)
    return {
      because: 'The saddles are at their highest: they go no further up.',
      would: 'It would do if they had some way up left.',
    };
  return null;
}

function adjustable(f: Frame): void {
  const wrong = atTheirEnd(f.p, eachLift(f.p, f.need));
  tryWay(f, 'set the saddles', [saddlePart(f.p, 'saddle-set', f.need)], withSaddle(f.moves, f.need), wrong);
}

/** How far the fret plane rises at the saddle, so that the saddle stands well then: away from the end of its way, or well out of its slot. mm */
function planeRise(p: Problem, { both: [toBass, toTreble], own }: Need): number {
  if (isAdjustable(p.model.construction)) {
    const lifts = eachLift(p, { bass: toBass, treble: toTreble, own });
    if (p.saddleEnd === 'lowest') return p.limits.saddleWay - Math.min(...lifts);
    if (p.saddleEnd === 'highest') return -p.limits.saddleWay - Math.max(...lifts);
    return -(toBass + toTreble) / 2;
  }
  const { standout } = p.model;
  return (standout === null ? 0 : p.limits.standout.good - standout) - (toBass + toTreble) / 2;
}

/** The neck's angle: the plane's rise at the saddle, with the saddle brought to where it stands well. */
function neckAngle(f: Frame): void {
  const { p, moves, need } = f;
  const c = p.model.construction;
  const [toBass, toTreble] = need.both;
  const adjust = isAdjustable(c);
  const standout = p.model.standout;
  const tilt = planeRise(p, need);
  const [bass, treble] = [toBass + tilt, toTreble + tilt];
  if (Math.abs(tilt) < LEAST) return;
  const operation: OperationId =
    c.joint === 'glued' ? 'neck-reset' : c.joint === 'tilt-screw' ? 'tilt' : 'shim';
  const trimmed = Math.abs(bass) > 0.05 || Math.abs(treble) > 0.05;
  const set = { bass, treble, own: need.own };
  const saddle: Part[] = trimmed ? [saddlePart(f.p, adjust ? 'saddle-set' : 'saddle-new', set)] : [];
  const wrong =
    operation !== 'neck-reset' && Math.abs(tilt) > p.limits.tilt
      ? {
          because: `The fret plane would have to rise ${mm(tilt)} at the saddle, over the ${mm(p.limits.tilt)} a shim is used for.`,
          would: `It would do for ${mm(p.limits.tilt)} or less.`,
        }
      : trimmed
        ? outsideLimits(p, liftsOf(p, set))
        : null;
  const done = trimmed ? withSaddle(moves, set) : moves;
  tryWay(
    f,
    operation === 'neck-reset' ? 'reset the neck' : operation === 'tilt' ? 'tilt the neck' : 'shim the neck',
    [
      {
        operation,
        says: `The fret plane ${tilt > 0 ? 'rises' : 'falls'} ${mm(Math.abs(tilt))} at the saddle${trimmed && standout !== null ? `; the saddle then stands ${mm(standout + (bass + treble) / 2)} out` : ''}.`,
        amounts: [{ what: 'fret plane at the saddle', amount: tilt, unit: 'mm' }],
        removed: 0,
        firstCut: operation === 'neck-reset' ? 'fit it dry and read the angle before any glue' : undefined,
      },
      ...saddle,
    ],
    { ...done, tilt: done.tilt + tilt },
    wrong,
  );
}

/** Thinner bridge: the strings come down, the saddle stands out as before. */
function thinner(f: Frame): void {
  const { p, moves, need } = f;
  const by = -(need.both[0] + need.both[1]) / 2;
  if (by <= LEAST || isAdjustable(p.model.construction)) return;
  const { bridge, slotDepth } = p.model;
  const money = (v: number) => formatMoney(v, p.currency);
  const { amount, thinUpTo, history = false } = p.worth;
  const floor =
    bridge === null || slotDepth === null ? null : slotFloor(bridge, slotDepth, by, p.limits.slotFloor);
  const wrong =
    floor === null
      ? {
          because:
            'Bridge thickness and slot depth were not read: the floor that would be left is not known.',
          would: `It would do if ${mm(p.limits.slotFloor)} stayed under the slot.`,
        }
      : !floor.ok
        ? {
            because: `Only ${mm(floor.floor)} would stay under the slot; ${mm(p.limits.slotFloor)} must.`,
            would: `It would do on a bridge ${mm(p.limits.slotFloor - floor.floor)} thicker.`,
          }
        : history
          ? {
              because: 'It matters for its history: its bridge stays as thick as it was made.',
              would: `It would do on an instrument worth ${money(thinUpTo)} or less that matters for neither.`,
            }
          : amount === null || amount > thinUpTo
            ? {
                because:
                  amount === null
                    ? `What it is worth is not known: a bridge is thinned only up to ${money(thinUpTo)}.`
                    : `It is worth ${money(amount)}: a bridge is thinned only up to ${money(thinUpTo)}.`,
                would: `It would do on an instrument worth ${money(thinUpTo)} or less.`,
              }
            : null;
  tryWay(
    f,
    'thin the bridge',
    [
      {
        operation: 'bridge-thin',
        says: `Take ${mm(by)} off the bridge${floor === null ? '' : `; ${mm(floor.floor)} stays under the slot`}.`,
        amounts: [{ what: 'bridge', amount: -by, unit: 'mm' }],
        removed: by,
        firstCut: `first ${mm(by * p.firstCutShare)}, then read again`,
      },
    ],
    { ...moves, thin: moves.thin + by },
    wrong,
  );
}

/** The answers to a height that is out: saddle, shim, reset, or a thinner bridge. */
export function heightWays(
  p: Problem,
  moves: Moves,
  o: Outcome,
  share: number,
  sizes: Sizes = 'asked',
): Ways {
  const needs = needsOf(p, o, share, sizes);
  const frame = (need: Need): Frame => ({ p, moves, need, refused: [], ways: [] });
  const some = needs.filter((n) => n.bass !== 0 || n.treble !== 0 || n.own.some((v) => v !== 0));
  const whole = needs[0];
  if (!whole || (sizes === 'asked' && some.length === 0)) return none('height', moves);
  const frames = some.map(frame);
  for (const f of frames) (isAdjustable(p.model.construction) ? adjustable : looseSaddle)(f);
  const neck = frame(whole);
  neckAngle(neck);
  thinner(neck);
  const all = [...frames, neck];
  return {
    ways: [stay('height', moves), ...all.flatMap((f) => f.ways)],
    refused: all.flatMap((f) => f.refused),
  };
}
