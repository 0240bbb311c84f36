import { SAID_KINDS } from '../../core/history/say-sentence.ts';
import { COMMANDS, OTHER_EVENTS } from './commands.ts';

test('every kind of change that can be made has a sentence', () => {
  const kinds = [...Object.values(COMMANDS).flatMap((c) => [...c.events]), ...OTHER_EVENTS];
  expect(kinds.filter((k) => !SAID_KINDS.has(k))).toEqual([]);
});
