import { doubtAbout, sureTo } from './doubt.ts';
import { input } from './plan-input-for-tests.ts';
import { planOfJob } from './plan-of-job.ts';
import { JOB } from './solve/problem-for-tests.ts';

/** The same input with every reading as unsure as said. */
const unsure = (set: Readonly<Record<string, number | undefined>>, uncertainty: number) => {
  const known = input('steel-acoustic', set as Record<string, number>);
  const readings = new Map([...known.readings].map(([k, r]) => [k, { ...r, uncertainty }]));
  return { ...known, readings };
};

describe('what the gauges leave open', () => {
  test('a reading out by less than its gauge tells apart is doubted', () => {
    const said = doubtAbout(unsure({ 'action:6:12': 2.55 }, 0.05), 'action:6:12');
    expect(said).toBe(
      'Action 12, string 6: out of its band by 0.0500 mm, less than the 0.1000 mm its gauge tells apart. Read again with a finer one.',
    );
  });

  test.each([
    ['out by more', { 'action:6:12': 2.7 }, 0.05],
    ['in its band', { 'action:6:12': 2.2 }, 0.05],
    ['nothing is known of the gauge', { 'action:6:12': 2.55 }, 0],
  ])('not when %s', (_, set, u) => {
    expect(doubtAbout(unsure(set, u), 'action:6:12')).toBeNull();
  });

  test('nor where nothing was read or aimed at', () => {
    expect(doubtAbout(unsure({}, 0.05), 'action:9:12')).toBeNull();
    expect(doubtAbout(input('steel-acoustic'), 'action:6:12')).toBeNull();
  });

  test('cents are said as cents', () => {
    expect(doubtAbout(unsure({ 'intonation:6:12': 3 }, 1), 'intonation:6:12')).toContain('by 1 cents');
  });

  test('an amount that follows from it says how sure it is', () => {
    expect(sureTo(unsure({}, 0.05), 'action:6:12', 2)).toBe(' Sure to ± 0.2000 mm by its gauge.');
    expect(sureTo(input('steel-acoustic'), 'action:6:12', 2)).toBe('');
  });

  test('the proposals carry the doubt where they would cut', () => {
    const lines = [{ 'relief:0:7': 0.27 }, { 'nut-gap:6:1': 0.17 }, { 'action:6:12': 2.6 }].flatMap(
      (set) => planOfJob(unsure(set, 0.08), JOB).proposal.lines,
    );
    for (const id of ['rod', 'nut-slots', 'saddle-lower'])
      expect(lines.find((l) => l.operation === id)?.warnings.join(' ')).toContain('its gauge tells apart');
  });
});
