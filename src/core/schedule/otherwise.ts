import type { Board } from './board.ts';

/** Whether somebody, a job or a place is free when it was before, later, or sooner. */
export const SAME = 0;
const LATER = 1;
export const SOONER = 2;

/** Counts what is free sooner or later than before: where nothing is, all that follows stands where it stood. */
export class Otherwise {
  readonly people: Uint8Array;
  readonly jobs: Uint8Array;
  readonly places: Uint8Array;
  sooner = 0;
  later = 0;
  /** how many places are taken otherwise */
  taken = 0;

  constructor(b: Board) {
    this.people = new Uint8Array(b.calendars.length);
    this.jobs = new Uint8Array(b.ofJob.length);
    this.places = new Uint8Array(b.spots.length);
  }

  mark(of: Uint8Array, i: number, is: number): void {
    const was = of[i] as number;
    if (was === is) return;
    if (was === LATER) this.later--;
    else if (was === SOONER) this.sooner--;
    if (is === LATER) this.later++;
    else if (is === SOONER) this.sooner++;
    of[i] = is;
  }

  markPlace(i: number, isSame: boolean): void {
    const is = isSame ? SAME : SOONER;
    if (this.places[i] !== is) this.taken += isSame ? -1 : 1;
    this.mark(this.places, i, is);
  }

  clear(): void {
    for (const all of [this.people, this.jobs, this.places]) all.fill(SAME);
    this.sooner = 0;
    this.later = 0;
    this.taken = 0;
  }
}

/** How a moment compares with what it was. */
export const compared = (is: number, was: number): number => (is === was ? SAME : is > was ? LATER : SOONER);
