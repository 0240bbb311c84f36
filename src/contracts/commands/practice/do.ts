import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';
import { practiceAct } from '../../practice-act.ts';

/** Does one thing at a practice instrument: reads, looks, plucks, works. `version` is how many were done before it. */
export const practiceDo = command({
  name: 'practice.do',
  may: 'see',
  events: [],
  input: z.object({ sessionId: id, version, act: practiceAct }),
  answer: answering<{ readonly version: number; readonly says: string }>(),
});

/** Hands a practice instrument back with what was wrong with it, and opens it. None named: it is sound. */
export const practiceEnd = command({
  name: 'practice.end',
  may: 'see',
  events: [],
  input: z.object({ sessionId: id, version, named: z.array(z.string().max(40)).max(40) }),
  answer: answering<{ readonly score: number }>(),
});

/** Puts a practice instrument away that is not finished; who set it for somebody may take it back. */
export const practiceDrop = command({
  name: 'practice.drop',
  may: 'see',
  events: [],
  input: z.object({ sessionId: id }),
  answer: answering<{ readonly sessionId: number }>(),
});
