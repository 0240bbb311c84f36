import {
  copyBoard,
  earliestSeat,
  mayBegin,
  seat,
  unseat,
  type Board,
  type BoardStep,
  type Seat,
} from './board.ts';
import { costOf } from './cost.ts';

/** The most steps of which every order is tried. */
const MOST_STEPS = 7;
const MOST_TRIES = 60_000;

/** What a plan that is not whole costs at least: of each job what it costs by the steps that stand. */
const costSoFar = (b: Board): number => costOf(b) - 1e6 * b.seats.filter((s) => !s).length;

/**
 * The best plan of a small case: every order of its steps, with everybody and at every place they may be done; what stands
 * already stays. Null where the case is too large.
 */
export function bestOfAll(start: Board, most: number = MOST_TRIES): Board | null {
  const b = copyBoard(start);
  const open = b.steps.filter((s) => !b.seats[s.at]);
  if (open.length > MOST_STEPS) return null;
  let least = Infinity;
  let best: readonly (Seat | null)[] | null = null;
  let tries = 0;
  const go = (): void => {
    if (++tries > most || costSoFar(b) >= least - 1e-9) return;
    const ready = open.filter((s) => !b.seats[s.at] && s.after.every((i) => b.seats[i]));
    let stood = false;
    for (const own of ready)
      for (const found of seatsOf(b, own)) {
        stood = true;
        seat(b, own.at, found);
        go();
        unseat(b, own.at);
      }
    if (stood) return;
    const cost = costOf(b);
    if (cost >= least - 1e-9) return;
    least = cost;
    best = [...b.seats];
  };
  go();
  if (tries > most || best === null) return null;
  const found = copyBoard(start);
  (best as readonly (Seat | null)[]).forEach((s, at) => {
    if (s && !found.seats[at]) seat(found, at, s);
  });
  return found;
}

function seatsOf(b: Board, own: BoardStep): Seat[] {
  const from = mayBegin(b, own);
  return own.who.flatMap((worker) =>
    (own.where ?? [-1]).flatMap((spot) => earliestSeat(b, own, from, worker, spot) ?? []),
  );
}
