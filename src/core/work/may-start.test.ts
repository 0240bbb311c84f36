import fc from 'fast-check';
import { OPERATIONS, operation } from '../catalogue/operations.ts';
import {
  type BenchState,
  cutBy,
  hindrances,
  isPassable,
  sayHindrance,
  stopped,
  type PlaceRead,
  type StartLine,
} from './may-start.ts';
import { queueOf } from './queue.ts';

const needs = (id: StartLine['operation']) => operation(id).needs;
const line = (id: number, op: StartLine['operation'], more: Partial<StartLine> = {}): StartLine => ({
  id,
  operation: op,
  title: operation(op).name,
  approval: 'yes',
  finished: false,
  stops: null,
  ...more,
});
const place = (key: string, quantity: PlaceRead['quantity'], more: Partial<PlaceRead> = {}): PlaceRead => ({
  key,
  label: key,
  quantity,
  takenAt: 10,
  stale: false,
  bare: false,
  ...more,
});
const all = [place('relief:0:7', 'relief'), place('action:6:12', 'action'), place('nut-gap:1:1', 'nut-gap')];
const hinders = (l: StartLine, more: Partial<BenchState> = {}) =>
  hindrances(l, operation(l.operation), {
    all: [l],
    needs,
    places: all,
    lastTurn: null,
    lost: null,
    bare: false,
    rest: null,
    ...more,
  });
const kinds = (l: StartLine, lines: readonly StartLine[], places = all, turned: number | null = null) =>
  hinders(l, { all: lines, places, lastTurn: turned }).map((h) => h.kind);

test('a line without the customer’s yes is not begun', () => {
  const asked = line(1, 'rod', { approval: 'asked' });
  expect(kinds(asked, [asked])).toEqual(['word']);
});

test('what comes first comes first, unless it is done, refused or not on the order', () => {
  const [rod, saddle] = [line(1, 'rod'), line(2, 'saddle-lower')];
  expect(kinds(saddle, [rod, saddle])).toEqual(['first']);
  expect(kinds(saddle, [line(1, 'rod', { finished: true }), saddle])).toEqual([]);
  expect(kinds(saddle, [line(1, 'rod', { approval: 'no' }), saddle])).toEqual([]);
  expect(kinds(saddle, [saddle])).toEqual([]);
});

test('a change stops its line and those that need it, and the rest goes on', () => {
  const lines = [
    line(1, 'rod'),
    line(2, 'nut-slots'),
    line(3, 'saddle-lower'),
    line(4, 'clean-body'),
    line(5, 'rod-free', { approval: 'asked', stops: 1 }),
  ];
  const still = stopped(lines, needs);
  expect(still).toContain(1);
  expect(still).toContain(3);
  expect(still).not.toContain(4);
  expect(kinds(lines[0] as StartLine, lines)).toContain('change');
  expect(kinds(lines[3] as StartLine, lines)).toEqual([]);
  const answered = lines.map((l) => (l.id === 5 ? { ...l, approval: 'no' as const } : l));
  expect(stopped(answered, needs)).toEqual([]);
});

test('standing still spreads along needs only, and more changes never free a line', () => {
  const ids = OPERATIONS.map((o) => o.id);
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom(...ids), { minLength: 2, maxLength: 8 }),
      fc.nat(),
      fc.nat(),
      (some, a, b) => {
        const lines = some.map((id, i) => line(i + 1, id));
        const change = (n: number, id: number) =>
          line(id, 'tighten', { approval: 'asked', stops: (n % some.length) + 1 });
        const one = stopped([...lines, change(a, 100)], needs);
        const two = stopped([...lines, change(a, 100), change(b, 101)], needs);
        expect(one).toContain((a % some.length) + 1);
        expect(two).toEqual(expect.arrayContaining(one));
      },
    ),
  );
});

test('what cannot be undone asks for the fresh reading it is cut by, and may go without it for a reason', () => {
  const saddle = line(1, 'saddle-lower');
  const staleAction = all.map((p) => (p.quantity === 'action' ? { ...p, stale: true } : p));
  const [h] = hinders(saddle, { places: staleAction });
  expect(h).toMatchObject({ kind: 'reading', stations: ['action:6:12'], passable: true });
  const unread = all.map((p) => (p.quantity === 'relief' ? { ...p, takenAt: null } : p));
  expect(kinds(saddle, [saddle], unread)).toEqual(['reading']);
  expect(kinds(saddle, [saddle])).toEqual([]);
});

test('with the strings off what held when they came off is not asked for: it cannot be read, and a bridge is not cut by it', () => {
  const bridge = line(1, 'bridge-reglue');
  const stale = all.map((p) => ({ ...p, stale: true }));
  expect(kinds(bridge, [bridge], stale)).toEqual(['reading']);
  expect(
    kinds(
      bridge,
      [bridge],
      stale.map((p) => ({ ...p, bare: true })),
    ),
  ).toEqual([]);
  const queued = queueOf(
    [bridge],
    (l) => operation(l.operation),
    stale.map((p) => ({ ...p, bare: true })),
  );
  expect(queued.at(-1)).toEqual({ kind: 'read', places: stale.map((p) => p.key), before: null });
});

test('what frets moved with the strings off is read with them on before nut or saddle is cut by it, or a contact moved', () => {
  const cents = place('intonation:6:12', 'intonation');
  const moved = [...all, cents].map((p) => ({ ...p, stale: true, bare: true }));
  for (const id of ['nut-slots', 'saddle-lower', 'compensate', 'nut-compensate'] as const) {
    const cut = line(1, id);
    const asked = hinders(cut, { places: moved, bare: true });
    const [h] = asked;
    expect(asked, id).toHaveLength(1);
    expect(h, id).toMatchObject({ kind: 'reading', passable: true });
    expect(h?.words, id).toMatch(/^String it up\. /);
    expect(queueOf([cut], (l) => operation(l.operation), moved)[0], id).toMatchObject({ before: 1 });
  }
  // A new nut is made from a blank, and frets are taken down by the relief that was read.
  for (const id of ['nut-new', 'saddle-new', 'fret-dress', 'fall-away', 'bridge-thin'] as const)
    expect(kinds(line(1, id), [line(1, id)], moved), id).toEqual([]);
});

test('a rod is set under tension: with the strings off that is said, and may be passed by with a reason', () => {
  const rod = line(1, 'rod');
  const asked = (bare: boolean) => hinders(rod, { bare });
  expect(asked(false)).toEqual([]);
  expect(asked(true)).toMatchObject([{ kind: 'reading', stations: [], passable: true }]);
});

test('before the strings come off what wants them is read and looked at, or it is said why not', () => {
  const off = line(1, 'strings-off');
  const before = (stations: readonly string[], items: number) => hinders(off, { lost: { stations, items } });
  expect(before([], 0)).toEqual([]);
  expect(hinders(off)).toEqual([]);
  expect(before(['relief:0:7'], 2)).toMatchObject([
    {
      kind: 'reading',
      stations: ['relief:0:7'],
      passable: true,
      words: expect.stringContaining('2 items') as string,
    },
  ]);
  expect(before([], 1)[0]?.words).toBe(
    'With the strings off it cannot be looked at any more. 1 item of the inspection wants them on.',
  );
});

test('the rod is not turned again before its last turn was read, whatever the reason', () => {
  const rod = line(1, 'rod');
  expect(kinds(rod, [rod], [place('relief:0:7', 'relief', { takenAt: null })])).toEqual([]);
  const [h] = hinders(rod, { lastTurn: 20 });
  expect(h).toMatchObject({ kind: 'reading', passable: false });
  expect(kinds(rod, [rod], [place('relief:0:7', 'relief', { takenAt: 21 })], 20)).toEqual([]);
});

test.each([
  ['saddle-lower', ['relief', 'action']],
  ['nut-slots', ['nut-gap']],
  ['tune-stretch', []],
  ['clean-body', []],
] as const)('%s is cut by %j', (id, quantities) => {
  expect(cutBy(operation(id))).toEqual(quantities);
});

test('stale readings are queued before the first step cut by them, the rest at the end, each once', () => {
  const lines = [line(1, 'clean-body'), line(2, 'nut-slots'), line(3, 'saddle-lower')];
  const stale = [
    place('intonation:1:12', 'intonation', { stale: true }),
    place('action:6:12', 'action', { stale: true }),
    place('relief:0:7', 'relief', { stale: true }),
    place('nut-gap:1:1', 'nut-gap', { stale: true }),
  ];
  const queue = queueOf(lines, (l) => operation(l.operation), stale);
  expect(queue).toEqual([
    { kind: 'step', lineId: 1 },
    { kind: 'read', places: ['nut-gap:1:1'], before: 2 },
    { kind: 'step', lineId: 2 },
    { kind: 'read', places: ['relief:0:7', 'action:6:12'], before: 3 },
    { kind: 'step', lineId: 3 },
    { kind: 'read', places: ['intonation:1:12'], before: null },
  ]);
  expect(queueOf(lines, (l) => operation(l.operation), all).every((n) => n.kind === 'step')).toBe(true);
});

test('nothing is begun on what rests, but with a reason; how long it rests is said', () => {
  const rest = { lineId: 9, title: 'Reglue the bridge', since: 0, until: 90 * 60_000 };
  const body = line(1, 'clean-body');
  const found = hinders(body, { rest });
  expect(found.map((h) => h.kind)).toEqual(['rest']);
  expect(found.every(isPassable)).toBe(true);
  expect(found.map((h) => sayHindrance(h, 30 * 60_000))).toEqual([
    'It rests after “Reglue the bridge”: wait until that is over. 1 h 00 left.',
  ]);
  // What cannot be passed by still stands beside it.
  const asked = hinders(line(1, 'rod', { approval: 'asked' }), { rest });
  expect(asked.every(isPassable)).toBe(false);
});
