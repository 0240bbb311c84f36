import type { OperationId } from '../catalogue/operation-ids.ts';
import { fretLevel } from '../frets/fret-level.ts';
import { reliefShare } from '../neck/relief.ts';
import { withString } from '../whatif/moves.ts';
import type { Work } from './acts.ts';
import { moved, outcomeOf, topsOf, type Flaw, type Insides } from './insides.ts';

/** What a piece of work took off and cannot put back, mm. */
export interface Taken {
  readonly nut: number;
  readonly saddle: number;
  /** the most off any one fret */
  readonly frets: number;
}

export const NOTHING_TAKEN: Taken = { nut: 0, saddle: 0, frets: 0 };

/** An instrument after a piece of work: what it is like, what went for good, and what the hand felt. */
export interface Worked {
  readonly inside: Insides;
  readonly taken: Taken;
  readonly says: string;
}

/** New strings that were not stretched yet, cents flat. */
const UNSTRETCHED = 25;
/** A slot is never cut under the plane of the frets. */
const LEAST_NUT = 0;
const CLAMPED = { relief: -0.15, left: 5 };
const ANOTHER = 'Done.';

const worked = (inside: Insides, says = ANOTHER, taken: Partial<Taken> = {}): Worked => ({
  inside,
  says,
  taken: { ...NOTHING_TAKEN, ...taken },
});

/** Whatever slackens the strings leaves them flat until they are tuned and stretched again. */
const slack = (inside: Insides, cents: number): Insides => ({
  ...inside,
  flat: Math.max(inside.flat, cents),
});

function turnRod(inside: Insides, eighths: number): Worked {
  const { rod, moves } = inside;
  if (rod.stuck)
    return worked(
      inside,
      'The nut does not move with an ordinary hand. Nothing was turned: it is not forced.',
    );
  if (eighths > 0 && rod.left <= 0)
    return worked(inside, 'It stands hard after a hair’s breadth: the rod is at its end. Nothing has moved.');
  const turned = Math.min(eighths, rod.left);
  const after = moved(inside, { relief: moves.relief - turned * rod.perEighth });
  const says =
    turned < eighths
      ? `It stood hard after ${turned} eighths: the rod is at its end.`
      : 'Turned without force. The pitch moved with it.';
  return worked({ ...slack(after, 12), rod: { ...rod, left: rod.left - turned } }, says);
}

/** Takes a fret's top down to what it is told, and the metal with it. */
function fileFrets(inside: Insides, down: (n: number) => number): Worked {
  const by = inside.moves.tops.map((_, n) => (n === 0 ? 0 : Math.max(0, down(n))));
  const tops = inside.moves.tops.map((t, n) => t - (by[n] ?? 0));
  const crowns = inside.crowns.map((h, n) => h - (by[n] ?? 0));
  const most = Math.max(...by);
  return worked(
    slack({ ...moved(inside, { tops }), crowns }, 60),
    most < 0.005 ? 'The file found nothing to take.' : ANOTHER,
    { frets: most },
  );
}

/** How high a fret stands over the line between its neighbours, mm. */
export function overNeighbours(tops: readonly number[], fret: number): number {
  const [before, at, after] = [tops[fret - 1], tops[fret], tops[fret + 1]];
  if (fret <= 1) return (at ?? 0) - (after ?? 0);
  if (after === undefined) return (at ?? 0) - (before ?? 0);
  return (at ?? 0) - ((before ?? 0) + after) / 2;
}

/** What levelling takes off each fret: down to the highest plane, with the bend that a neck not set straight puts into them. */
function levelled(inside: Insides): readonly number[] {
  const { construction: c, sound } = inside;
  const tops = topsOf(inside);
  const bent = outcomeOf(inside).relief - sound.relief;
  const share = (n: number): number =>
    n <= 1 || n >= c.frets ? 0 : reliefShare(c.scale, { low: 1, high: c.frets, at: n });
  const wrong = Math.abs(bent) < 0.06 ? 0 : bent;
  const frets = Array.from({ length: c.frets }, (_, i) => i + 1).map((fret) => {
    const top = (tops[fret] ?? 0) - wrong * share(fret);
    return { fret, bass: top, middle: top, treble: top, height: inside.crowns[fret] ?? 1 };
  });
  const off = fretLevel(c.scale, frets, 0.5).frets;
  return [0, ...off.map((f) => f.removal.middle)];
}

function workOnFrets(inside: Insides, work: Work): Worked | null {
  const { construction: c } = inside;
  const fret = work.fret ?? 0;
  if (work.operation === 'fret-seat') {
    const up = inside.lifted[fret] ?? 0;
    const lifted = inside.lifted.map((v, n) => (n === fret ? 0 : v));
    return up > 0
      ? worked(slack({ ...inside, lifted }, 60), 'It went down and stays.')
      : worked(slack(inside, 60), 'It was down already.');
  }
  if (work.operation === 'fret-spot')
    return fileFrets(inside, (n) => (n === fret ? overNeighbours(topsOf(inside), n) : 0));
  if (work.operation === 'fret-dress') {
    const off = levelled(inside);
    return fileFrets(inside, (n) => off[n] ?? 0);
  }
  if (work.operation === 'fall-away')
    return fileFrets(inside, (n) => (n > c.bodyFret ? (topsOf(inside)[n] ?? 0) : 0));
  if (work.operation === 'fret-replace' || work.operation === 'refret') {
    const isNew = (n: number): boolean => work.operation === 'refret' || (n >= fret && n <= fret + 2);
    const fresh = (list: readonly number[], to: number): number[] =>
      list.map((v, n) => (n > 0 && isNew(n) ? to : v));
    return worked(
      slack(
        {
          ...moved(inside, { tops: fresh(inside.moves.tops, 0) }),
          lifted: fresh(inside.lifted, 0),
          crowns: fresh(inside.crowns, 1.1),
        },
        80,
      ),
    );
  }
  return null;
}

function workOnNut(inside: Insides, work: Work): Worked | null {
  const { construction: c, moves, sound } = inside;
  const count = c.strings.length;
  const height = (i: number): number => (sound.nut[i] ?? 0) + (moves.nut[i] ?? 0);
  const amount = work.amount ?? 0;
  if (work.operation === 'nut-slots' || work.operation === 'nut-fill') {
    const i = work.string ?? 0;
    const off =
      work.operation === 'nut-fill' ? -amount : Math.min(amount, Math.max(0, height(i) - LEAST_NUT));
    const nut = withString(moves.nut, i, (moves.nut[i] ?? 0) - off, count);
    // One string out of its slot and back at its pitch: the others have not moved.
    return worked(slack(moved(inside, { nut }), 3), ANOTHER, { nut: Math.max(0, off) });
  }
  if (work.operation === 'nut-lower' || work.operation === 'nut-shim') {
    const by = work.operation === 'nut-shim' ? amount : -amount;
    const nut = c.strings.map((_, i) => Math.max(LEAST_NUT - (sound.nut[i] ?? 0), (moves.nut[i] ?? 0) + by));
    return worked(slack(moved(inside, { nut }), 60), ANOTHER, { nut: Math.max(0, -by) });
  }
  if (work.operation === 'nut-new') return worked(slack(moved(inside, { nut: c.strings.map(() => 0) }), 60));
  return null;
}

function workOnSaddle(inside: Insides, work: Work): Worked | null {
  const { moves, construction: c } = inside;
  const [bass, treble] = [work.bass ?? 0, work.treble ?? 0];
  const { operation } = work;
  if (operation === 'saddle-lower')
    return worked(
      slack(moved(inside, { bass: moves.bass - bass, treble: moves.treble - treble }), 60),
      ANOTHER,
      {
        saddle: Math.max(bass, treble),
      },
    );
  if (operation === 'saddle-raise' || operation === 'saddle-new' || operation === 'saddle-set') {
    const after = moved(inside, { bass: moves.bass + bass, treble: moves.treble + treble });
    return worked(slack(after, operation === 'saddle-set' ? 15 : 60));
  }
  if (operation === 'intonate' || operation === 'compensate') {
    const i = work.string ?? 0;
    const contact = withString(
      moves.contact,
      i,
      (moves.contact[i] ?? 0) + (work.amount ?? 0),
      c.strings.length,
    );
    return worked(slack(moved(inside, { contact }), operation === 'intonate' ? 15 : 60));
  }
  if (operation === 'shim' || operation === 'tilt' || operation === 'neck-reset')
    return worked(slack(moved(inside, { tilt: moves.tilt + (work.amount ?? 0) }), 80));
  return null;
}

function workOnNeck(inside: Insides, work: Work): Worked | null {
  const { moves, rod } = inside;
  if (work.operation === 'rod') return turnRod(inside, work.eighths ?? 0);
  if (work.operation === 'rod-free' && rod.stuck)
    return worked(
      { ...inside, rod: { ...rod, stuck: false } },
      'With penetrating oil and patience it moves.',
    );
  if (work.operation === 'neck-clamp') {
    const after = moved(inside, { relief: moves.relief + CLAMPED.relief });
    return worked(
      { ...slack(after, 80), rod: { ...rod, left: rod.left + CLAMPED.left } },
      'After its days in the clamp the rod could be taken up: it has travel again.',
    );
  }
  return null;
}

/** The strings that go on are the customer’s own set, in good order. */
function workOnStrings(inside: Insides, operation: OperationId): Worked | null {
  if (operation === 'tune-stretch')
    return worked({ ...inside, flat: 0 }, 'Tuned, stretched, tuned again: it holds.');
  if (operation === 'restring' || operation === 'string-up')
    return worked({ ...moved(inside, { strings: null }), flat: UNSTRETCHED });
  return null;
}

/** Every flaw that the work mends goes with it. */
function mended(before: Insides, after: Worked, work: Work): Worked {
  const mends = (f: Flaw): boolean =>
    f.operation === work.operation && (f.string === undefined || f.string === work.string);
  if (!before.flaws.some(mends)) return after;
  const flaws = after.inside.flaws.filter((f) => !mends(f));
  return { ...after, inside: { ...after.inside, flaws }, says: 'That was it: mended.' };
}

/**
 * Does a piece of work. What is cut stays cut; what is not wrong is not mended; a nut that does not move is not forced.
 * @example turning a rod two eighths tighter takes twice its answer out of the relief
 */
export function doWork(inside: Insides, work: Work): Worked {
  const after =
    workOnNeck(inside, work) ??
    workOnFrets(inside, work) ??
    workOnNut(inside, work) ??
    workOnSaddle(inside, work) ??
    workOnStrings(inside, work.operation) ??
    worked(inside, 'Done: nothing there was wrong.');
  return mended(inside, after, work);
}
