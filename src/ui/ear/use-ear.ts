'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import type { NoiseRound } from '../../core/ear/noise-round.ts';
import type { PlacedAmount } from '../../core/ear/place-round.ts';
import { EarSession, type HeardPlace } from './ear-session.ts';

/**
 * A round by ear beside a screen; it ends with it.
 * @param told a place of a round was heard through, or one that was played was heard to be clear or to buzz, or a noise was heard before
 * a try and with it
 */
export function useEar(told: {
  readonly onDone?: (heard: HeardPlace) => void;
  readonly onPlayed?: (played: PlacedAmount) => void;
  readonly onNoise?: (round: NoiseRound) => void;
}) {
  const [session] = useState(() => new EarSession());
  useEffect(() => {
    session.onDone = (heard) => told.onDone?.(heard);
    session.onPlayed = (played) => told.onPlayed?.(played);
    session.onNoise = (round) => told.onNoise?.(round);
  });
  useEffect(() => session.end, [session]);
  const state = useSyncExternalStore(session.listen, session.state, session.state);
  return { ...state, byMicrophone: session.byMicrophone, byFile: session.byFile, say: session.say };
}

export type Ear = ReturnType<typeof useEar>;
