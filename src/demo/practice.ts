import type { Act } from '../core/practice/acts.ts';
import { readCode } from '../core/practice/instrument.ts';
import type { Story } from './story.ts';

const relief: Act = { kind: 'read', station: 'relief:0:7' };
const tune: Act = { kind: 'work', operation: 'tune-stretch' };
const tighter: Act = { kind: 'work', operation: 'rod', eighths: 2 };

/** A relief too large and a loose socket: the neck was found, and the socket, after a look at much else. */
const FINISHED: readonly Act[] = [
  { kind: 'look', item: 'tune' },
  tune,
  relief,
  { kind: 'read', station: 'action:6:12' },
  { kind: 'read', station: 'action:1:12' },
  { kind: 'look', item: 'fretted-buzz' },
  { kind: 'look', item: 'controls' },
  tighter,
  tune,
  relief,
  tighter,
  tune,
  relief,
  tighter,
  tune,
  relief,
  { kind: 'work', operation: 'saddle-set', bass: -0.4, treble: -0.4 },
  tune,
  { kind: 'look', item: 'socket' },
  { kind: 'work', operation: 'socket' },
];

/** Begun before tuning, so that its first reading is struck. */
const BEGUN: readonly Act[] = [
  { kind: 'ask', question: 'where' },
  relief,
  { kind: 'look', item: 'tune' },
  tune,
  relief,
  { kind: 'read', station: 'action:6:12' },
  { kind: 'read', station: 'nut-gap:6:1' },
  { kind: 'look', item: 'open-buzz' },
  { kind: 'look', item: 'fretted-buzz' },
  { kind: 'look', item: 'rod' },
  { kind: 'pluck', string: 0, held: 0 },
  { kind: 'pluck', string: 0, held: 1 },
  { kind: 'pluck', string: 0, held: 2 },
  { kind: 'pluck', string: 0, held: 3 },
  { kind: 'pluck', string: 3, held: 1 },
  { kind: 'pluck', string: 3, held: 2 },
];

async function take(story: Story, code: string): Promise<number> {
  const spec = readCode(code);
  if (!spec) throw new Error(`demo: no practice instrument ${code}`);
  const { kind, level, about } = spec;
  const { sessionId } = await story.give('practice.begin', { kind, level, about, code });
  return sessionId;
}

async function doAll(story: Story, sessionId: number, acts: readonly Act[]): Promise<void> {
  for (const [version, act] of acts.entries()) await story.give('practice.do', { sessionId, version, act });
}

/** Three practice instruments: one handed back, one under way, one set for a colleague. */
export async function practise(story: Story, colleague: number): Promise<void> {
  const finished = await take(story, 'solid-electric.2.8');
  await doAll(story, finished, FINISHED);
  await story.give('practice.end', {
    sessionId: finished,
    version: FINISHED.length,
    named: ['relief-high', 'socket', 'saddle-high'],
  });
  story.pass(3 * 3_600_000);
  await doAll(story, await take(story, 'steel-acoustic.1.7'), BEGUN);
  await story.give('practice.set', {
    kind: 'bass',
    level: 3,
    about: null,
    code: 'bass.3.2',
    personId: colleague,
  });
}
