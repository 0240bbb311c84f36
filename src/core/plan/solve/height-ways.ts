import { isAdjustable } from '../../instrument/construction.ts';
import { slotFloor } from '../../saddle/slot-floor.ts';
import { both, formatLength } from '../../units/format-length.ts';
import { breakAngleAfter, type Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../operation-ids.ts';
import { isOut, standings } from './judge-outcome.ts';
import { tooDear } from './fret-ways.ts';
import { offered, type Problem } from './problem.ts';
import { none, stay, type Part, type Refused, type Sizes, type Way, type Ways } from './way.ts';

const mm = (v: number): string => formatLength(v, 'mm');
/** A height in the shop's unit, with mm beside it. */
const said = (p: Problem, v: number): string => both(Math.abs(v), p.unit);
const LEAST = 1e-6;

/** What each side's saddle would have to do to bring the action to its aim, mm; 0 where it may stay. */
export interface Need {
  readonly bass: number;
  readonly treble: number;
  /** the same for both sides whether or not they are out: for a neck angle or a bridge, which move both */
  readonly both: readonly [number, number];
}

interface Frame {
  readonly p: Problem;
  readonly moves: Moves;
  readonly need: Need;
  readonly refused: Refused[];
  readonly ways: Way[];
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
  const need = (bass: boolean, treble: boolean): Need => ({
    bass: bass ? to(0) : 0,
    treble: treble ? to(last) : 0,
    both,
  });
  const asked = need(out(0), out(last));
  const all = sizes === 'asked' ? [asked] : [need(true, true), need(true, false), need(false, true)];
  return all.filter((n, i) => all.findIndex((m) => m.bass === n.bass && m.treble === n.treble) === i);
}

const saddleAmounts = (bass: number, treble: number): Part['amounts'] => [
  { what: 'saddle, bass', amount: bass, unit: 'mm' },
  { what: 'saddle, treble', amount: treble, unit: 'mm' },
];

const move = (p: Problem, v: number): string =>
  Math.abs(v) < LEAST ? 'stays' : `${said(p, v)} ${v < 0 ? 'down' : 'up'}`;
const sides = (p: Problem, bass: number, treble: number): string =>
  `Bass ${move(p, bass)}, treble ${move(p, treble)}`;

function part(f: Frame, operation: OperationId, bass: number, treble: number): Part {
  const { p } = f;
  const cutsForGood = operation === 'saddle-lower';
  const first = (v: number) => said(p, v * p.firstCutShare);
  const cuts = [
    ...(bass < 0 ? [`bass ${first(bass)}`] : []),
    ...(treble < 0 ? [`treble ${first(treble)}`] : []),
  ].join(', ');
  return {
    operation,
    says: `${sides(p, bass, treble)}.`,
    amounts: saddleAmounts(bass, treble),
    removed: cutsForGood ? Math.max(0, -bass, -treble) : 0,
    firstCut: cutsForGood && cuts !== '' ? `first ${cuts}, then read again` : undefined,
  };
}

const withSaddle = (m: Moves, bass: number, treble: number): Moves => ({
  ...m,
  bass: m.bass + bass,
  treble: m.treble + treble,
});

/** Why the saddle may not stand there, or null. */
function outsideLimits(p: Problem, bass: number, treble: number): Pick<Refused, 'because' | 'would'> | null {
  const { standout } = p.model;
  if (standout === null) return null;
  const left = standout + Math.min(bass, treble);
  const high = standout + Math.max(bass, treble);
  const { low, high: most } = p.limits.standout;
  if (left < low - LEAST)
    return {
      because: `Only ${mm(left)} of saddle would stand out, under the ${mm(low)} that must: look at the neck angle.`,
      would: `It would do if the saddle stood out ${mm(low - Math.min(bass, treble))} or more now; it stands ${mm(standout)}.`,
    };
  const angle = breakAngleAfter(p.model, standout + (bass + treble) / 2);
  if (angle !== null && angle < p.limits.breakAngle)
    return {
      because: `The break angle would fall to ${angle.toFixed(1)}°, under the ${p.limits.breakAngle}° it wants.`,
      would: 'It would do if the string broke more steeply behind the saddle.',
    };
  if (high > most + LEAST)
    return {
      because: `The saddle would stand out ${mm(high)}, over the ${mm(most)} a slot holds.`,
      would: `It would do if it stood out ${mm(most - Math.max(bass, treble))} or less now.`,
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
  const { bass, treble } = need;
  const unread =
    p.model.standout === null ? ['How far the saddle stands out was not read: read it before cutting.'] : [];
  const before = f.ways.length;
  const down = bass <= 0 && treble <= 0;
  const up = bass >= 0 && treble >= 0;
  const limits = outsideLimits(p, bass, treble);
  if (down && (bass < 0 || treble < 0)) {
    tryWay(
      f,
      'lower the saddle',
      [part(f, 'saddle-lower', bass, treble)],
      withSaddle(moves, bass, treble),
      limits,
    );
    lowerToLimit(f, limits);
  }
  if (up && (bass > 0 || treble > 0)) {
    const most = Math.max(bass, treble);
    const tooMuch =
      most > p.limits.saddleShim
        ? {
            because: `${mm(most)} under the saddle is over the ${mm(p.limits.saddleShim)} a shim is used for.`,
            would: `It would do for ${mm(p.limits.saddleShim)} or less.`,
          }
        : Math.abs(bass - treble) > LEAST
          ? {
              because: 'One side wants more than the other: a flat shim raises both alike.',
              would: 'It would do if both sides wanted the same.',
            }
          : limits;
    tryWay(
      f,
      'shim the saddle',
      [part(f, 'saddle-shim', bass, treble)],
      withSaddle(moves, bass, treble),
      tooMuch,
    );
    tryWay(
      f,
      'raise the saddle',
      [part(f, 'saddle-raise', bass, treble)],
      withSaddle(moves, bass, treble),
      limits,
    );
  }
  if (bass !== 0 || treble !== 0)
    tryWay(f, 'a new saddle', [part(f, 'saddle-new', bass, treble)], withSaddle(moves, bass, treble), limits);
  for (let i = before; i < f.ways.length; i++) f.ways[i] = { ...(f.ways[i] as Way), warns: unread };
}

/** As far down as the saddle may go, where that is not far enough. */
function lowerToLimit(f: Frame, limits: Pick<Refused, 'because' | 'would'> | null): void {
  const { p, moves, need } = f;
  if (limits === null || p.model.standout === null) return;
  const most = p.model.standout - p.limits.standout.low;
  if (most < 0.1) return;
  const [bass, treble] = [Math.max(need.bass, -most), Math.max(need.treble, -most)];
  if (outsideLimits(p, bass, treble) !== null) return;
  tryWay(
    f,
    'lower the saddle as far as it goes',
    [part(f, 'saddle-lower', bass, treble)],
    withSaddle(moves, bass, treble),
    null,
  );
}

function adjustable(f: Frame): void {
  const { bass, treble } = f.need;
  tryWay(
    f,
    'set the saddles',
    [part(f, 'saddle-set', bass, treble)],
    withSaddle(f.moves, bass, treble),
    null,
  );
}

/** The neck's angle: the plane's rise at the saddle, with the saddle brought to where it stands well. */
function neckAngle(f: Frame): void {
  const { p, moves, need } = f;
  const c = p.model.construction;
  const [toBass, toTreble] = need.both;
  const adjust = isAdjustable(c);
  const standout = p.model.standout;
  const wanted = adjust || standout === null ? 0 : p.limits.standout.good - standout;
  const tilt = wanted - (toBass + toTreble) / 2;
  const [bass, treble] = [toBass + tilt, toTreble + tilt];
  if (Math.abs(tilt) < LEAST) return;
  const operation: OperationId =
    c.joint === 'glued' ? 'neck-reset' : c.joint === 'tilt-screw' ? 'tilt' : 'shim';
  const trimmed = Math.abs(bass) > 0.05 || Math.abs(treble) > 0.05;
  const saddle: Part[] = trimmed ? [part(f, adjust ? 'saddle-set' : 'saddle-new', bass, treble)] : [];
  const wrong =
    operation !== 'neck-reset' && Math.abs(tilt) > p.limits.tilt
      ? {
          because: `The fret plane would have to rise ${mm(tilt)} at the saddle, over the ${mm(p.limits.tilt)} a shim is used for.`,
          would: `It would do for ${mm(p.limits.tilt)} or less.`,
        }
      : trimmed
        ? outsideLimits(p, bass, treble)
        : null;
  const done = trimmed ? withSaddle(moves, bass, treble) : moves;
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
  const money = (v: number) => `${p.currency}${(v / 100).toFixed(2)}`;
  const { amount, thinUpTo } = p.worth;
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
  const some = needs.filter((n) => n.bass !== 0 || n.treble !== 0);
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
