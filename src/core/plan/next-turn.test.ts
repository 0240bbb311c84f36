import { input } from './plan-input-for-tests.ts';
import { answeredTurns, sayNextTurn, type TurnMade } from './next-turn.ts';

const turn = (eighths: number, before: number | null, after: number | null): TurnMade => ({
  eighths,
  before,
  after,
});

test.each([
  ['none', [], []],
  ['read before and after', [turn(2, 0.4, 0.3)], [turn(2, 0.4, 0.3)]],
  ['blind, nobody has read since', [turn(2, 0.4, null)], []],
  [
    'two blind ones count with the one that was read',
    [turn(2, 0.4, null), turn(1, 0.4, 0.27)],
    [turn(3, 0.4, 0.27)],
  ],
  ['nothing was read before the first', [turn(2, null, 0.3), turn(1, 0.3, 0.25)], [turn(1, 0.3, 0.25)]],
  ['there and back blind says nothing', [turn(2, 0.4, null), turn(-2, 0.4, 0.4)], []],
] as const)('%s', (_, made, answered) => {
  expect(answeredTurns(made)).toEqual(answered);
});

describe('the next turn in words', () => {
  const steel = (relief: number | null) => input('steel-acoustic', { relief });
  test('tighten, loosen, leave, read first', () => {
    expect(sayNextTurn(steel(0.36), [])).toMatch(
      /^Next: tighten a quarter turn, to about 0\.260 mm\. From what such a rod/,
    );
    expect(sayNextTurn(steel(0.02), [])).toMatch(/^Next: loosen a quarter turn/);
    expect(sayNextTurn(steel(0.2), [])).toBe('Relief 0.200 mm: in its band. Leave it.');
    expect(sayNextTurn(steel(null), [])).toMatch(/Read the relief/);
  });

  test('a rod that answers much is turned less, one that does not answer at all is left', () => {
    const lively = [turn(1, 0.5, 0.35), turn(1, 0.35, 0.3)] as never;
    expect(sayNextTurn(steel(0.3), lively)).toMatch(/tighten (a sixteenth|one eighth)/);
    const dead = [turn(8, 0.4, 0.4), turn(8, 0.4, 0.4)] as never;
    expect(sayNextTurn(steel(0.4), dead)).toMatch(/Stop/);
  });
});
