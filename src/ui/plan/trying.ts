import { useCallback, useReducer } from 'react';
import { NO_MOVES, type Moves } from '../../core/whatif/moves.ts';

interface Trying {
  readonly past: readonly Moves[];
  readonly now: Moves;
  readonly future: readonly Moves[];
  /** what the last change was to: more of the same joins it, so that a drag is one step back */
  readonly at: string;
}

type Act =
  | { readonly kind: 'move'; readonly to: Moves; readonly at: string }
  | { readonly kind: 'undo' | 'redo' | 'settle' };

const MOST = 200;

/** One step of trying: a move, taking it back, doing it again. */
export function tryingStep(s: Trying, act: Act): Trying {
  switch (act.kind) {
    case 'move': {
      const joins = act.at !== '' && act.at === s.at;
      const past = joins ? s.past : [...s.past, s.now].slice(-MOST);
      return { past, now: act.to, future: [], at: act.at };
    }
    case 'settle':
      return { ...s, at: '' };
    case 'undo': {
      const back = s.past.at(-1);
      return back ? { past: s.past.slice(0, -1), now: back, future: [s.now, ...s.future], at: '' } : s;
    }
    case 'redo': {
      const [next, ...future] = s.future;
      return next ? { past: [...s.past, s.now], now: next, future, at: '' } : s;
    }
  }
}

export const AT_FIRST: Trying = { past: [], now: NO_MOVES, future: [], at: '' };

/** What is tried on a neck on this screen, with a way back and forth. Nothing of it is sent anywhere. */
export function useTrying() {
  const [state, act] = useReducer(tryingStep, AT_FIRST);
  const set = useCallback((to: Moves, at = '') => act({ kind: 'move', to, at }), []);
  const settle = useCallback(() => act({ kind: 'settle' }), []);
  return {
    moves: state.now,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    /** @param at what is moved; moves of the same thing in a row are one step */
    set,
    settle,
    undo: () => act({ kind: 'undo' }),
    redo: () => act({ kind: 'redo' }),
  };
}
