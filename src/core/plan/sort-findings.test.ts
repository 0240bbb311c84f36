import { OPERATIONS } from '../catalogue/operations.ts';
import { contradictions, rodStateOf, sortFindings } from './sort-findings.ts';

const LOOKING = { bridge: 'pinned', read: () => null, limits: { breakAngle: 12 } } as const;

const found = (item: string, finding: string | null = null, note = '') => ({
  item,
  title: item,
  note,
  finding,
});

test.each([
  ['an operation', found('tarnish', 'dull'), { deals: 1, undone: 0, questions: 0 }],
  [
    'a question, which is no reason of its own',
    found('action', 'out'),
    { deals: 0, undone: 1, questions: 1 },
  ],
  ['a reason', found('rod', 'stuck'), { deals: 0, undone: 1, questions: 0 }],
  [
    'the shop’s own item, by what its list says',
    { ...found('own'), leadsTo: 'tighten' as const },
    { deals: 1, undone: 0, questions: 0 },
  ],
  ['an item that leads nowhere', found('own'), { deals: 0, undone: 1, questions: 0 }],
])('%s: none is lost', (_, item, counts) => {
  const sorted = sortFindings([item], OPERATIONS, LOOKING);
  expect([sorted.deals.length, sorted.undone.length, sorted.questions.length]).toEqual(Object.values(counts));
});

test('what is only asked first is told from what is not dealt with', () => {
  const { undone } = sortFindings(
    [found('action', 'out'), found('rod', 'stuck', 'rusted')],
    OPERATIONS,
    LOOKING,
  );
  expect(undone.map((u) => u.asked)).toEqual([true, false]);
  expect(undone[1]?.what).toContain('(rusted)');
});

test('what was read is not asked for again; a break angle that is too shallow is told', () => {
  const sorted = (item: string, finding: string, read: Record<string, number>) =>
    sortFindings([found(item, finding)], OPERATIONS, { ...LOOKING, read: (key) => read[key] ?? null });
  const angle = (degrees: number) => sorted('break', 'shallow', { 'break-angle:0:0': degrees });
  expect(sorted('break', 'shallow', {}).questions).toHaveLength(1);
  expect(angle(8)).toMatchObject({
    questions: [],
    undone: [{ asked: false, why: expect.stringContaining('under the 12°') as string }],
  });
  expect(angle(14)).toMatchObject({
    questions: [],
    undone: [{ asked: true, why: expect.stringContaining('that is enough') as string }],
  });
  expect(sorted('sight', 'dip', { 'relief:0:7': 0.4 })).toMatchObject({
    questions: [],
    undone: [{ asked: true, why: expect.stringContaining('It was read') as string }],
  });
  // Of two places that are asked for both are wanted.
  const half = { 'bridge-thickness:0:0': 8 };
  expect(sorted('bridge-thick', 'thin', half).questions).toHaveLength(1);
  expect(sorted('bridge-thick', 'thin', { ...half, 'slot-depth:0:0': 4 }).questions).toEqual([]);
});

test('a string that leaves its saddle at an edge: the saddle is cut, or its screw turned where it has one', () => {
  const by = (bridge: 'pinned' | 'individual') =>
    sortFindings([found('contact', 'front')], OPERATIONS, { ...LOOKING, bridge }).deals.map((d) => d.leadsTo);
  expect(by('pinned')).toEqual(['compensate']);
  expect(by('individual')).toEqual(['intonate']);
});

test('the rod’s state comes from what was found, else from its turns', () => {
  expect(rodStateOf([found('rod', 'at-its-end')], null)).toBe('at-its-end');
  expect(rodStateOf([found('rod-reach')], null)).toBe('unreachable');
  expect(rodStateOf([], null)).toBe('turns');
});

test('an eye that says the other thing than the reading is asked about', () => {
  const band = { low: 0.15, high: 0.25 };
  expect(contradictions([found('sight', 'back')], 0.4, band)).toHaveLength(1);
  expect(contradictions([found('sight', 'back')], 0.05, band)).toEqual([]);
  expect(contradictions([found('sight', 'dip')], null, band)).toEqual([]);
});
