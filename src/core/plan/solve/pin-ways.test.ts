import { answerCase } from '../case/case-answer.ts';
import { caseOf, GOOD } from '../case/cases-for-tests.ts';
import { plansFor } from './plans.ts';
import { pinWay, plateWay } from './pin-ways.ts';
import { problem } from './problem-for-tests.ts';

test.each([
  [3, /^By the 3° reamer/],
  [3.4, /^By the 3° reamer/],
  [4.6, /^By the 5° reamer/],
  [4, /^They taper 4°, neither/],
  [null, /^Their taper first/],
] as const)('pins of %j°', (taper, says) => {
  expect(pinWay(taper)).toMatch(says);
});

test.each([
  ['a fine instrument keeps its light top and its looks', 300_000, /^At its worth patch/],
  ['an inexpensive one may have the quick way', 40_000, /^At its worth a thin cap/],
  ['where nobody has said, all of them', null, /patch.*cap.*ask/],
] as const)('%s', (_, worth, says) => {
  expect(plateWay(worth, 80_000)).toMatch(says);
  expect(plateWay(worth, 80_000, true)).toMatch(/^For its history patch/);
});

const found = (item: string, leadsTo: 'pins' | 'bridge-plate') => ({
  findings: [{ item, title: item, note: '', leadsTo, name: item, plain: item }],
});
const says = (p: ReturnType<typeof problem>, id: string) =>
  plansFor(p)
    .plans.find((x) => x.id === 'sufficient')
    ?.operations.find((o) => o.id === id)?.says;

test('the plan says how, by what was read', () => {
  const unread = problem('steel-acoustic', {}, found('pins', 'pins'));
  expect(says(unread, 'pins')).toContain('taper first');
  expect(says({ ...unread, pinTaper: 5 }, 'pins')).toContain('5° reamer');
  expect(unread.questions).toEqual([expect.stringContaining('Which taper')]);
  expect(says(problem('steel-acoustic', {}, found('plate', 'bridge-plate')), 'bridge-plate')).toContain(
    'Ways:',
  );
});

test('a case with proud pins asks for their taper until it was read', () => {
  const asked = (read: object) =>
    answerCase(caseOf('steel-acoustic', { ...GOOD, ...read }, ['pins proud'])).questions.filter((q) =>
      q.startsWith('Which taper'),
    );
  expect(asked({})).toHaveLength(1);
  expect(asked({ 'pin-taper:0:0': 3 })).toHaveLength(0);
});
