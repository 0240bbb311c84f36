import { rodAdvice, USUAL_ROD, type LoggedTurn } from './truss-rod.ts';

const BAND = { low: 0.15, aim: 0.2, high: 0.25 };
const turn = (eighths: number, before: number, after: number): LoggedTurn => ({ eighths, before, after });
const dead = (n: number, by = 2): LoggedTurn[] => Array.from({ length: n }, () => turn(by, 0.5, 0.5));

describe('two turns without an answer', () => {
  test.each<[string, readonly LoggedTurn[], boolean]>([
    ['sixteen eighths that moved nothing', dead(8), true],
    ['fourteen eighths are not yet two turns', dead(7), false],
    ['loosening counts as turning too', dead(8, -2), true],
    ['an answer long ago does not help the last two turns', [turn(2, 0.9, 0.5), ...dead(8)], true],
    ['an answer within the last two turns does', [...dead(7), turn(2, 0.5, 0.4)], false],
    ['just as much as the gauge can tell is an answer', [...dead(7), turn(2, 0.5, 0.48 - 1e-9)], false],
    ['a little less is none', [...dead(7), turn(2, 0.5, 0.4801)], true],
    ['up and down again is no answer', [...dead(6), turn(2, 0.5, 0.4), turn(2, 0.4, 0.5)], true],
  ])('%s', (_, turns, stops) => {
    const said = rodAdvice(0.5, BAND, turns);
    expect(said.why.startsWith('Two turns have not moved')).toBe(stops);
    if (stops) expect(said).toMatchObject({ advice: 'stop', eighths: 0, expected: null });
  });
});

describe('what is expected', () => {
  test('the spread is twice the belief’s for each eighth', () => {
    const said = rodAdvice(0.4, BAND);
    expect(said.eighths).toBe(2);
    const likely = 0.4 - 2 * USUAL_ROD.perEighth;
    expect(said.expected?.low).toBeCloseTo(likely - 4 * USUAL_ROD.sd, 12);
    expect(said.expected?.high).toBeCloseTo(likely + 4 * USUAL_ROD.sd, 12);
  });

  test('each logged turn narrows the belief as two normals do', () => {
    const weight = 1 / USUAL_ROD.sd ** 2 + 4 / (2 * 0.02 ** 2);
    const said = rodAdvice(0.4, BAND, [turn(2, 0.5, 0.4)]);
    const spread = 2 * Math.abs(said.eighths) * Math.sqrt(1 / weight);
    const { low = 0, high = 0 } = said.expected ?? {};
    expect(high - low).toBeCloseTo(2 * spread, 12);
    expect(said.perEighth).toBeCloseTo(
      (USUAL_ROD.perEighth / USUAL_ROD.sd ** 2 + 0.05 * (4 / 0.0008)) / weight,
      12,
    );
  });

  test('a turn of nothing teaches nothing', () => {
    expect(rodAdvice(0.4, BAND, [turn(0, 0.4, 0.4)]).perEighth).toBe(USUAL_ROD.perEighth);
  });

  test.each([
    [0, 'From what such a rod usually does.'],
    [1, 'From one logged turn over what such a rod usually does.'],
    [3, 'From 3 logged turns over what such a rod usually does.'],
  ])('after %d turns it says what it rests on', (n, why) => {
    const turns = Array.from({ length: n }, () => turn(1, 0.45, 0.4));
    expect(rodAdvice(0.4, BAND, turns).why).toBe(why);
  });

  test('a rod that hardly answers is looked at, one that answers just enough is turned', () => {
    expect(rodAdvice(0.4, BAND, [], { perEighth: 0.0049, sd: 0.001 })).toMatchObject({
      advice: 'stop',
      perEighth: 0.0049,
    });
    expect(rodAdvice(0.4, BAND, [], { perEighth: 0.005, sd: 0.001 })).toMatchObject({
      advice: 'tighten',
      eighths: 2,
    });
  });
});
