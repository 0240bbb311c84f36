/** A saddle of its own for each string: sanded one by one, or set by its own screw. */
import { answerCase } from './case-answer.ts';
import { caseOf, does, enough, type More, type Read } from './cases-for-tests.ts';

const fixed: More = { construction: { bridge: 'individual-fixed' } };
const ukulele = (read: Read) =>
  answerCase(caseOf('ukulele', { relief: 0.05, standout: 4, ...read }, [], fixed));
const electric = (read: Read) => answerCase(caseOf('solid-electric', { relief: 0.2, ...read }, []));
const amounts = (a: ReturnType<typeof answerCase>, id: string) =>
  enough(a).steps.find((s) => s.operation === id)?.amounts;

test('one string that stands high: only its own saddle comes down', () => {
  const said = ukulele({ 'action:4:12': 2.4, 'action:3:12': 3.2, 'action:2:12': 2.4, 'action:1:12': 2.4 });
  expect(does(said)).toContain('saddle-lower down');
  const cut = amounts(said, 'saddle-lower') ?? {};
  expect(Object.keys(cut)).toEqual(['3']);
  // Down to the near end of its band, 2.7, twice as much at the saddle; not past the aim, 2.4.
  expect(cut['3']).toBeGreaterThan(2 * (3.2 - 2.7));
  expect(cut['3']).toBeLessThan(2 * (3.2 - 2.4) * 1.02);
});

test('one that was not read between two that stay is not cut', () => {
  const said = ukulele({ 'action:4:12': 3.3, 'action:3:12': 2.4, 'action:1:12': 2.5 });
  expect(Object.keys(amounts(said, 'saddle-lower') ?? {})).toEqual(['4']);
});

test('one that was not read between two that come down goes with them', () => {
  const cut = amounts(ukulele({ 'action:4:12': 3.3, 'action:1:12': 3.1 }), 'saddle-lower') ?? {};
  const [third = 0, second = 0] = [cut['3'], cut['2']];
  expect(third).toBeCloseTo(((cut['4'] ?? 0) * 2 + (cut['1'] ?? 0)) / 3, 9);
  expect(second).toBeCloseTo(((cut['4'] ?? 0) + (cut['1'] ?? 0) * 2) / 3, 9);
});

test('all high: each by its own amount, and none that was read is cut past its aim', () => {
  const read = { 'action:4:12': 3.1, 'action:3:12': 3.3, 'action:2:12': 3.0, 'action:1:12': 3.2 };
  const cut = amounts(ukulele(read), 'saddle-lower') ?? {};
  expect(Object.keys(cut).sort()).toEqual(['1', '2', '3', '4']);
  for (const [n, v] of Object.entries(read)) {
    const string = n.split(':')[1] ?? '';
    expect(cut[string]).toBeLessThanOrEqual(2 * (v - 2.4) * 1.02);
    expect(cut[string]).toBeGreaterThan(2 * (v - 2.7));
  }
});

test('the outer ones high, one between in its band: that one is left', () => {
  const read = { 'action:4:12': 3.2, 'action:3:12': 2.4, 'action:2:12': 2.5, 'action:1:12': 3.2 };
  expect(Object.keys(amounts(ukulele(read), 'saddle-lower') ?? {}).sort()).toEqual(['1', '4']);
});

test('one low, one high: a new saddle or raised, never only cut', () => {
  const said = ukulele({ 'action:4:12': 2.4, 'action:3:12': 1.5, 'action:2:12': 2.4, 'action:1:12': 2.4 });
  expect(does(said)).not.toContain('saddle-lower down');
  expect(enough(said).undone).toEqual([]);
});

test('all in their bands: nothing is done', () => {
  const said = ukulele({ 'action:4:12': 2.4, 'action:3:12': 2.5, 'action:2:12': 2.3, 'action:1:12': 2.4 });
  expect(does(said)).toEqual([]);
});

test('on screws one string between is set by itself', () => {
  const said = electric({ bass: 1.7, treble: 1.4, 'action:3:12': 2.3 });
  expect(does(said).join()).toContain('saddle-set');
  expect(Object.keys(amounts(said, 'saddle-set') ?? {})).toEqual(['3']);
});

test('a one-piece saddle knows nothing of single strings', () => {
  const said = answerCase(
    caseOf('ukulele', { relief: 0.05, standout: 4, bass: 2.4, treble: 2.4, 'action:3:12': 3.2 }, []),
  );
  expect(does(said)).toEqual([]);
});
