/** What holds of every case: the neck first, the proposal a beginning, nothing asked for in silence. */
import fc from 'fast-check';
import { KINDS } from '../../instrument/kinds.ts';
import { runs } from '../../../runs-for-tests.ts';
import { answerCase } from './case-answer.ts';
import { caseProblem } from './case.ts';
import { caseOf, CUTS, does, enough, GOOD, type More } from './cases-for-tests.ts';

const anyRead = fc.record({
  relief: fc.double({ min: -0.2, max: 0.9, noNaN: true }),
  bass: fc.double({ min: 1, max: 4, noNaN: true }),
  treble: fc.double({ min: 0.8, max: 3.5, noNaN: true }),
  standout: fc.double({ min: 1, max: 6, noNaN: true }),
  'low nut': fc.double({ min: 0, max: 0.4, noNaN: true }),
});
const anyRod = fc.constantFrom<readonly string[]>(
  [],
  ['rod stuck'],
  ['rod at-its-end'],
  ['tarnish dull'],
  ['rod stuck', 'grip', 'fret-level uneven'],
);

test('what is proposed is the beginning of the plan that is enough', () => {
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), anyRead, anyRod, (kind, read, found) => {
      const said = answerCase(caseOf(kind, read, found));
      expect(enough(said).steps.slice(0, said.proposed.length)).toEqual(said.proposed);
    }),
    runs(50, 150),
  );
});

test('no plan cuts on a neck that is not straight, and none turns a rod that is stuck', () => {
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), anyRead, anyRod, (kind, read, found) => {
      const c = caseOf(kind, read, found, { worth: 30000 });
      const { problem } = caseProblem(c);
      if ('because' in problem) return;
      const band = problem.targets.get('relief:0:7');
      for (const plan of answerCase(c).plans) {
        const ids = plan.steps.map((s) => s.operation as string);
        const relief = plan.forecast['relief'] as number;
        // Without a rod a neck that is neither bowed back nor deep stays as it is.
        const least = c.construction.rod === 'none' ? 0.05 : 0.005;
        const low = c.construction.rod === 'none' ? Math.min(0, band?.low ?? 0) : (band?.low ?? 0);
        const bent = band !== undefined && (relief < low - least - 1e-9 || relief > band.high + least + 1e-9);
        if (bent) expect(ids.filter((id) => CUTS.includes(id))).toEqual([]);
        if (found.includes('rod stuck')) expect(ids).not.toContain('rod');
      }
    }),
    runs(50, 150),
  );
});

test('without an action read nothing of it is planned, and it is asked for', () => {
  const said = answerCase(caseOf('steel-acoustic', { relief: 0.2 }, ['tarnish dull']));
  expect(does(said)).toContain('fret-polish');
  expect(said.questions.join(' ')).toContain('The action was not read');
  expect(Object.keys(enough(said).forecast)).not.toContain('action');
});

test('an eye and a reading that contradict each other are asked about', () => {
  const said = answerCase(caseOf('steel-acoustic', { ...GOOD, relief: 0.4 }, ['sight back']));
  expect(said.questions.some((q) => q.includes('do not agree'))).toBe(true);
});

test('the next turn comes from the instrument’s own answers', () => {
  const slow = {
    turns: [{ eighths: 2, before: 0.46, after: 0.42 }],
  };
  const turn = (more: More) =>
    answerCase(
      caseOf('steel-acoustic', { ...GOOD, bass: 2.35, treble: 1.85, relief: 0.28 }, [], more),
    ).proposed.at(-1)?.amounts?.['eighths'];
  expect(turn({})).toBe(1.5);
  expect(turn(slow)).toBe(2);
});
