/** The whole of a plan is held against what the instrument is worth. */
import { answerCase } from './case-answer.ts';
import { caseOf, does, enough, GOOD } from './cases-for-tests.ts';

const many = ['fret-seat lifts', 'tarnish dull', 'binding loose', 'cracks open', 'braces loose', 'board dry'];
const plan = (worth: number | undefined) =>
  answerCase(caseOf('steel-acoustic', { ...GOOD, relief: 0.4 }, many, worth === undefined ? {} : { worth }));

test('what nobody priced is not held back', () => {
  const ids = does(plan(undefined));
  for (const id of ['fret-seat', 'fret-polish', 'binding-glue', 'crack-glue', 'brace-glue', 'board-clean'])
    expect(ids).toContain(id);
});

test.each([15_000, 20_000, 30_000, 40_000])(
  'worth %i: all together stays within its share, nothing is lost',
  (worth) => {
    const said = plan(worth);
    for (const p of said.plans) expect(p.price).toBeLessThanOrEqual(worth * 0.75);
    const left = enough(said)
      .undone.map((u) => u.why)
      .join(' ');
    const done = does(said);
    const dealt = many.filter((m) =>
      done.some((id) =>
        id.startsWith(
          {
            'fret-seat': 'fret-seat',
            tarnish: 'fret-polish',
            binding: 'binding-glue',
            cracks: 'crack-glue',
            braces: 'brace-glue',
            board: 'board-clean',
          }[m.split(' ')[0] ?? ''] ?? '?',
        ),
      ),
    );
    expect(dealt.length + enough(said).undone.length).toBeGreaterThanOrEqual(many.length);
    if (dealt.length < many.length) expect(left).toMatch(/% of what it is worth/);
  },
);

test('the more it is worth the more is done', () => {
  const counts = [10_000, 15_000, 20_000, 30_000, 60_000, 200_000].map((w) => enough(plan(w)).steps.length);
  expect(counts).toEqual([...counts].sort((a, b) => a - b));
});

test('nothing it bears: it is left as it is, and says why', () => {
  const said = plan(300);
  expect(does(said)).toEqual([]);
  expect(enough(said).undone.length).toBeGreaterThanOrEqual(many.length);
});
