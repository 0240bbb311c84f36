import { rodAdvice, USUAL_ROD, type LoggedTurn } from './truss-rod.ts';

const BAND = { low: 0.15, aim: 0.2, high: 0.25 };
const turn = (eighths: number, before: number, after: number): LoggedTurn => ({ eighths, before, after });
const dead = (n: number, by = 2): LoggedTurn[] => Array.from({ length: n }, () => turn(by, 0.5, 0.5));

describe('two turns without an answer', () => {
  test.each<[string, readonly LoggedTurn[], boolean]>([
    ['two quarter turns that moved nothing', dead(2), true],
    ['one is not two', dead(1), false],
    ['nor is one large one', dead(1, 8), false],
    ['eighths count as they add up', dead(4, 1), true],
    ['three of them are not yet two turns', dead(3, 1), false],
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
  test('the spread is the belief’s for each eighth, with the errors of both readings', () => {
    const said = rodAdvice(0.4, BAND);
    expect(said.eighths).toBe(2);
    const likely = 0.4 - 2 * USUAL_ROD.perEighth;
    const spread = 1.96 * Math.sqrt(4 * USUAL_ROD.sd ** 2 + 2 * 0.02 ** 2);
    expect(said.expected?.low).toBeCloseTo(likely - spread, 12);
    expect(said.expected?.high).toBeCloseTo(likely + spread, 12);
  });

  test('each logged turn narrows the belief as two normals do', () => {
    const weight = 1 / USUAL_ROD.sd ** 2 + 4 / (2 * 0.02 ** 2);
    const said = rodAdvice(0.4, BAND, [turn(2, 0.5, 0.4)]);
    const spread = 1.96 * Math.sqrt(said.eighths ** 2 / weight + 2 * 0.02 ** 2);
    const { low = 0, high = 0 } = said.expected ?? {};
    expect(high - low).toBeCloseTo(2 * spread, 12);
    expect(said.perEighth).toBeCloseTo(
      (USUAL_ROD.perEighth / USUAL_ROD.sd ** 2 + 0.05 * (4 / 0.0008)) / weight,
      12,
    );
  });

  test.each([
    ['before any turn', 0],
    ['after one', 1],
    ['after four', 4],
  ])('%s, 95 of 100 necks of the belief read within it', (_, logged) => {
    // A neck is drawn from the belief, its turns are read with the gauge's error, and so is what the next turn does.
    let state = 2026 + logged;
    const uniform = () => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return (state + 1) / 4294967297;
    };
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const read = (relief: number) => relief + 0.02 * normal();
    let [within, made] = [0, 0];
    for (let n = 0; n < 6000; n++) {
      const perEighth = USUAL_ROD.perEighth + USUAL_ROD.sd * normal();
      let relief = 0.6 + 0.2 * uniform();
      const turns: LoggedTurn[] = [];
      for (let k = 0; k < logged; k++) {
        const before = read(relief);
        relief -= perEighth;
        turns.push(turn(1, before, read(relief)));
      }
      const said = rodAdvice(read(relief), BAND, turns);
      if (said.expected === null) continue;
      made++;
      const after = read(relief - said.eighths * perEighth);
      if (after >= said.expected.low && after <= said.expected.high) within++;
    }
    expect(made).toBeGreaterThan(4000);
    expect(within / made).toBeGreaterThan(0.93);
    expect(within / made).toBeLessThan(0.97);
  });

  test('where a whole eighth would go past the aim, a sixteenth is turned', () => {
    expect(rodAdvice(0.235, { low: 0.15, aim: 0.2, high: 0.22 }).eighths).toBe(0.5);
    expect(rodAdvice(0.28, BAND).eighths).toBe(1.5);
    expect(rodAdvice(0.12, BAND).eighths).toBe(-1.5);
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
