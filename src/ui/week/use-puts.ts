import { useState } from 'react';
import type { WeekStep } from '../../server/week/load-week.ts';
import { useSend } from '../data/use-send.ts';

interface Place {
  readonly worker: number | null;
  readonly at: number | null;
  /** how long it takes in all; undefined: as was said before */
  readonly minutes?: number | null | undefined;
}

interface Undo extends Required<Place> {
  readonly minutes: number | null;
  readonly jobId: number;
  readonly step: string;
  readonly version: number;
  readonly says: string;
}

const NOWHERE = { worker: null, at: null, minutes: null, version: 0 };

/** Puts steps, gives them back to the planner, and takes the last of it back. */
export function usePuts() {
  const { give, busy, trouble } = useSend();
  const [undo, setUndo] = useState<Undo | null>(null);
  const put = async (step: WeekStep, to: Place) => {
    const { version, ...was } = step.put ?? NOWHERE;
    const which = { jobId: step.job, step: step.id };
    const { worker, at, minutes = was.minutes } = to;
    const done = await give('week.put', { ...which, worker, at, minutes, version });
    if (!done) return;
    const back = at === null && worker === null && minutes === null;
    const longer = minutes !== was.minutes && minutes !== null;
    const says = back ? 'given back to the planner' : longer ? `${minutes} minutes in all` : 'put there';
    setUndo({ ...which, ...was, version: done.version, says: `${step.title}: ${says}` });
  };
  const takeBack = async () => {
    if (!undo) return;
    const { says: _says, ...to } = undo;
    if (await give('week.put', to)) setUndo(null);
  };
  return { put, undo, takeBack, busy, trouble };
}
