import { sayFailure } from '../../core/keep/say-failure.ts';
import { COMMANDS } from './commands.ts';

test('whatever command fails, it is said what it would have changed', () => {
  for (const name of Object.keys(COMMANDS))
    expect(sayFailure({ words: 'a command failed', name, why: 'program' }), name).not.toContain('the record');
});
