import type { Work } from './acts.ts';
import { benchAfter, type Bench } from './bench.ts';
import type { Insides } from './insides.ts';
import type { PracticeInstrument } from './instrument.ts';
import { theRest, tuned } from './remedies.ts';
import { doWork } from './work.ts';

/** No instrument takes more than that. */
const MOST = 80;

/** The next piece of work that is enough by the truth: every fault's own remedy, then what is still out of its band. */
function next({ faults }: PracticeInstrument, inside: Insides): Work | null {
  const first = tuned(inside);
  if (first) return first;
  for (const f of faults) {
    const work = f.remedy(inside);
    if (work) return work;
  }
  return theRest(inside);
}

/** The work that is enough, in order: who knows the inside does this and no more. */
export function enoughFor(instrument: PracticeInstrument): readonly Work[] {
  const done: Work[] = [];
  let { inside } = instrument;
  for (let n = 0; n < MOST; n++) {
    const work = next(instrument, inside);
    if (!work) break;
    done.push(work);
    inside = doWork(inside, work).inside;
  }
  return done;
}

/** The bench after the work that is enough. */
export const enoughBench = (instrument: PracticeInstrument): Bench =>
  benchAfter(instrument, enoughFor(instrument));
