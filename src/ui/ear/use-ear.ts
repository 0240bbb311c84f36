'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { EarSession, type HeardPlace } from './ear-session.ts';

/**
 * A round by ear beside a screen; it ends with it.
 * @param onDone a place was heard through: what it came to
 */
export function useEar(onDone: (heard: HeardPlace) => void) {
  const [session] = useState(() => new EarSession());
  useEffect(() => {
    session.onDone = onDone;
  });
  useEffect(() => session.end, [session]);
  const state = useSyncExternalStore(session.listen, session.state, session.state);
  return { ...state, byMicrophone: session.byMicrophone, byFile: session.byFile, say: session.say };
}

export type Ear = ReturnType<typeof useEar>;
