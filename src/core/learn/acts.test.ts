import { usualConstruction } from '../instrument/defaults.ts';
import { movedByAll, type MovedThing } from '../staleness/graph.ts';
import { actsOf, type LifeReading, type LifeRound, type LifeTurn, type LifeVisit } from './acts.ts';
import { learnedNumbers, tells } from './learned.ts';
import { lifeOf } from './life.ts';
import { sayFrom, sayNumber } from './say-number.ts';

const RULES = { rodPrior: { perEighth: 0.05, sd: 0.03 }, rodActionRatio: null };
const SIX = { strings: 6, ratio: 1.65 };

/** A round with what was read at a time: relief, action of both sides, saddle. */
function round(
  name: string,
  at: number,
  values: Readonly<Record<string, number>>,
  more: Partial<LifeRound> = {},
): LifeRound {
  const readings = new Map<string, LifeReading>(
    Object.entries(values).map(([key, value]) => [key, { value, uncertainty: 0.01, at }]),
  );
  return { name, humidity: null, pull: 700, readings, ...more };
}

const setup = (relief: number, action: number, standout = 4) => ({
  'relief:0:7': relief,
  'action:6:12': action + 0.3,
  'action:1:12': action - 0.3,
  'saddle-standout:0:0': standout,
});
const work = (at: number, ...things: MovedThing[]) => ({ at, moved: [...movedByAll(things)] });
const turn = (eighths: number, before: number, after: number, at: number): LifeTurn => ({
  eighths,
  before,
  after,
  at,
});
const visit = (job: number, rounds: LifeRound[], more: Partial<LifeVisit> = {}): LifeVisit => ({
  job,
  rounds,
  turns: [],
  work: [],
  ...more,
});
const said = (visits: readonly LifeVisit[]) =>
  actsOf(visits, SIX).map((a) => [a.number, Number(a.by.toFixed(3)), Number(a.gave.toFixed(3))]);

test('a turn tells the rod, and what the action did with it the ratio', () => {
  const one = visit(7, [round('as found', 1, setup(0.3, 2.2)), round('after work', 9, setup(0.2, 2.03))], {
    turns: [turn(2, 0.3, 0.2, 5)],
  });
  expect(said([one])).toEqual([
    ['rod', 2, 0.1],
    ['ratio', -0.1, -0.17],
  ]);
});

test('a saddle that reads otherwise was moved, whatever was written down: the ratio is not told', () => {
  const rounds = [round('as found', 1, setup(0.3, 2.2, 4)), round('as left', 9, setup(0.2, 1.8, 3.7))];
  expect(said([visit(7, rounds, { turns: [turn(2, 0.3, 0.2, 5)] })])).toEqual([['rod', 2, 0.1]]);
});

test('a cut tells the saddle, without what the relief did meanwhile', () => {
  const cut = work(5, 'saddle-height');
  const rounds = [round('as found', 1, setup(0.2, 2.4, 4)), round('as left', 9, setup(0.2, 1.9, 3))];
  expect(said([visit(7, rounds, { work: [cut] })])).toEqual([['saddle', -1, -0.5]]);
  const both = [round('as found', 1, setup(0.3, 2.4, 4)), round('as left', 9, setup(0.2, 1.735, 3))];
  const turned = { work: [cut], turns: [turn(2, 0.3, 0.2, 4)] };
  expect(said([visit(7, both, turned)])).toEqual([
    ['rod', 2, 0.1],
    ['saddle', -1, -0.5],
  ]);
});

test.each([
  ['nut and saddle at once', [work(5, 'saddle-height', 'nut')]],
  ['frets levelled meanwhile', [work(5, 'saddle-height'), work(6, 'frets')]],
  ['nothing was done to the saddle, so it was read otherwise', []],
  ['done before the first reading', [work(0, 'saddle-height')]],
])('%s: tells nothing', (_, done) => {
  const rounds = [round('as found', 1, setup(0.2, 2.4, 4)), round('as left', 9, setup(0.2, 1.9, 3))];
  expect(said([visit(7, rounds, { work: done })])).toEqual([]);
});

test('a rod that was turned while nobody read the relief tells nothing of the saddle', () => {
  const without = ({ 'relief:0:7': _, ...rest }: Readonly<Record<string, number>>) => rest;
  const rounds = [
    round('as found', 1, without(setup(0.3, 2.4, 4))),
    round('as left', 9, without(setup(0.2, 1.7, 3))),
  ];
  const turned = { work: [work(5, 'saddle-height')], turns: [turn(2, 0.3, 0.2, 4)] };
  expect(said([visit(7, rounds, turned)])).toEqual([['rod', 2, 0.1]]);
});

test('the air tells the relief from one visit to the next, unless somebody touched it', () => {
  const before = visit(7, [round('as left', 1, setup(0.2, 2), { humidity: 50 })]);
  const after = (more: Partial<LifeVisit> = {}, humidity: number | null = 30) =>
    visit(8, [round('as found', 100, setup(0.11, 1.9), { humidity })], more);
  expect(said([before, after()])).toEqual([['air', -2, -0.09]]);
  expect(said([before, after({}, null)])).toEqual([]);
  expect(said([before, after({}, 48)])).toEqual([]);
  expect(said([before, after({ work: [work(50, 'strings')] })])).toEqual([]);
  expect(said([{ ...before, turns: [turn(1, 0.2, 0.15, 3)] }, after()])).toEqual([['rod', 1, 0.05]]);
  const slack = visit(8, [round('as found', 100, setup(0.11, 1.9), { humidity: 30, pull: 600 })]);
  expect(said([before, slack])).toEqual([]);
});

test('another tuning tells the relief for the pull; a contact that moved its cents', () => {
  const rounds = [
    round('as found', 1, setup(0.2, 2), { pull: 700 }),
    round('after work', 9, setup(0.1, 1.9), { pull: 600 }),
  ];
  expect(said([visit(7, rounds)])).toEqual([['pull', -10, -0.1]]);
  const moved = [
    round('as found', 1, { 'contact:3:0': 1, 'intonation:3:12': 5 }),
    round('as left', 9, { 'contact:3:0': 2.5, 'intonation:3:12': 1 }),
  ];
  expect(said([visit(7, moved, { work: [work(5, 'saddle-contact')] })])).toEqual([['contact', 1.5, -4]]);
});

test('what a visit reads becomes its life: no copies, nothing unrepresentative, the pull of its tuning', () => {
  const c = usualConstruction('steel-acoustic');
  const read = (key: string, value: number, more: object = {}) => ({
    key,
    quantity: 'relief' as const,
    string: 0,
    fret: 7,
    value,
    round: 'as-found' as const,
    takenAt: 5,
    notRepresentative: null,
    ...more,
  });
  const rounds = (tuning: string) => [
    { kind: 'as-found' as const, title: '', humidity: 40, tuning, pitch: null },
  ];
  const life = (tuning: string, readings: ReturnType<typeof read>[]) =>
    lifeOf(c, { number: 3, rounds: rounds(tuning), readings, turns: [], operations: [] }).rounds[0];
  expect(life('', [read('relief:0:7', 0.2)])?.readings.get('relief:0:7')?.value).toBe(0.2);
  expect(life('', [read('relief:0:7', 0.2, { copiedFrom: 'as-found' })])?.readings.size).toBe(0);
  expect(life('', [read('relief:0:7', 0.2, { notRepresentative: 'slack' })])?.readings.size).toBe(0);
  const [usual, slack] = [life('', []), life('D G C F A D', [])];
  expect((slack?.pull ?? 0) / (usual?.pull ?? 1)).toBeCloseTo(2 ** (-2 / 6), 1);
  expect(life('something', [])?.pull).toBeNull();
});

test('an instrument’s numbers: its kind is believed without it, and says where it comes from', () => {
  const acts = Array.from({ length: 5 }, (_, i) => ({
    number: 'rod' as const,
    by: i % 2 === 0 ? 2 : -1,
    gave: i % 2 === 0 ? 0.16 : -0.08,
    variance: 0.0004,
  }));
  const alone = tells(acts, 'bass', RULES);
  const numbers = learnedNumbers('bass', RULES, acts, acts, alone);
  expect(numbers.rod.value).toBeCloseTo(0.08, 2);
  expect(numbers.rod).toMatchObject({ own: 5, others: { instruments: 0, acts: 0 } });
  expect(sayFrom('rod', numbers.rod)).toBe('5 turns of its own, over what the trade says');
  expect(sayNumber('rod', numbers.rod, 'mm')).toMatch(/^0\.07\d mm \(0\.0[67]\d to 0\.08\d\)$/);
  expect(sayNumber('rod', numbers.rod, 'thou')).toMatch(/^3\.\d thou \(2\.\d to 3\.\d\)$/);
  expect(sayNumber('ratio', numbers.ratio, 'thou')).toMatch(/^1\.75 × \(/);
  expect(sayNumber('contact', numbers.contact, 'mm')).toMatch(/^−2\.7 cents \(−/);
  expect(sayFrom('air', numbers.air)).toBe('what the trade says');
  // The next of its kind begins with what this one showed.
  const next = learnedNumbers('bass', RULES, [], [], alone);
  expect(next.rod.value).toBeGreaterThan(0.053);
  expect(sayFrom('rod', next.rod)).toBe('5 turns of 1 instrument of its kind, over what the trade says');
  expect(learnedNumbers('bass', RULES, [], [], {}).rod).toMatchObject({
    value: 0.05,
    own: 0,
    others: { instruments: 0, acts: 0 },
  });
});
