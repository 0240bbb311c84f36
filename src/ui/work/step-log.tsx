'use client';

import type { Line } from './clock.tsx';
import { CutsMade } from './cuts-made.tsx';
import { RodTurns } from './rod-turns.tsx';

/** What is logged at a step while it is done: turns of the rod, cuts of saddle and nut. */
export function StepLog({ line, may }: { readonly line: Line; readonly may: boolean }) {
  return line.rod === null ? <CutsMade line={line} may={may} /> : <RodTurns line={line} may={may} />;
}
