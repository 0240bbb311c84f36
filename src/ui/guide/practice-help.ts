import type { Rule } from './help-kinds.ts';

/** The pages of practice, the first that fits a path. */
export const PRACTICE_HELP: readonly Rule[] = [
  {
    at: /^\/practice\/\d+$/,
    name: 'A practice instrument',
    purpose:
      'A simulated instrument with something hidden, or nothing. Read it, look, listen and work on it: everything answers as the physics says, and what is cut stays cut. Handed back, its inside is opened. Nothing of it reaches the shop’s record.',
    keys: [
      { keys: '← → ↑ ↓', does: 'about among strings and frets, while listening' },
      { keys: 'Enter', does: 'pluck it there; read or look at what is chosen' },
    ],
    guide: 'bench-day',
  },
  {
    at: /^\/practice/,
    name: 'Practice',
    purpose:
      'Bring a simulated instrument to your bench, or set one for a colleague; a code brings the very same one. How you do is counted by what was wrong, for you alone; who set one sees its score.',
    keys: [],
    guide: 'bench-day',
  },
];
