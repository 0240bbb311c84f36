import fc from 'fast-check';
import { leafStates, LEAVES, type JobFacts, type Leaf } from './leaves.ts';
import { isLate, WAITS } from './waiting.ts';

const NOTHING: JobFacts = {
  answered: 0,
  items: 80,
  inspectionFinished: false,
  read: 0,
  stations: 16,
  stale: 0,
  linesOpen: 0,
  linesDecided: 0,
  asked: 0,
  stepsOpen: 0,
  stepsDone: 0,
  asLeftRead: 0,
  benchChecked: false,
  signed: false,
};
const READ = { read: 16 };

describe('how a leaf stands', () => {
  test.each<[string, Partial<JobFacts>, Leaf, string]>([
    ['an arrival is written or there is no job', {}, 'arrival', 'done'],
    ['nothing answered', {}, 'inspection', 'open'],
    ['one item answered', { answered: 1 }, 'inspection', 'begun'],
    ['every item answered, not finished', { answered: 80 }, 'inspection', 'begun'],
    ['finished', { answered: 80, inspectionFinished: true }, 'inspection', 'done'],
    ['nothing read', {}, 'readings', 'open'],
    ['one place read', { read: 1 }, 'readings', 'begun'],
    ['all but one place read', { read: 15 }, 'readings', 'begun'],
    ['every place read', READ, 'readings', 'done'],
    ['nothing to read', { stations: 0 }, 'readings', 'open'],
    ['something stale', { ...READ, stale: 2 }, 'readings', '2 stale'],
    ['something stale on a signed sheet', { ...READ, stale: 2, signed: true }, 'readings', 'done'],
    ['no proposal', READ, 'plan', 'open'],
    ['lines open before everything is read', { read: 15, linesOpen: 3 }, 'plan', 'open'],
    ['lines open', { ...READ, linesOpen: 3 }, 'plan', '3 to decide'],
    ['one line decided', { ...READ, linesDecided: 1 }, 'plan', 'begun'],
    ['agreed, and nothing asked', { ...READ, linesOpen: 3, stepsOpen: 1 }, 'plan', 'done'],
    ['agreed, every step done', { ...READ, stepsDone: 4 }, 'plan', 'done'],
    ['agreed, and something new asked', { ...READ, stepsOpen: 1, asked: 1 }, 'plan', 'begun'],
    ['no steps', READ, 'work', 'open'],
    ['steps not begun', { stepsOpen: 2 }, 'work', 'open'],
    ['a step done, others open', { stepsOpen: 2, stepsDone: 1 }, 'work', 'begun'],
    ['every step done', { stepsDone: 3 }, 'work', 'done'],
    ['nothing checked', { stepsDone: 3 }, 'hand-over', 'open'],
    ['one place read as left', { asLeftRead: 1 }, 'hand-over', 'begun'],
    ['checked on the bench', { benchChecked: true }, 'hand-over', 'begun'],
    ['signed', { signed: true }, 'hand-over', 'done'],
  ])('%s', (_what, facts, leaf, stands) => {
    const state = leafStates({ ...NOTHING, ...facts })[leaf];
    expect(state.kind === 'trouble' ? state.why : state.kind).toBe(stands);
    if (state.kind === 'trouble') expect(stands.startsWith(`${state.count} `)).toBe(true);
  });

  const allOf = (more: Partial<JobFacts>) =>
    Object.values(leafStates({ ...NOTHING, stations: 15, ...more })).map((s) => s.kind);

  test.each<[string, Partial<JobFacts>, string[]]>([
    ['taken in', {}, ['done', 'open', 'open', 'open', 'open', 'open']],
    ['half inspected', { answered: 4 }, ['done', 'begun', 'open', 'open', 'open', 'open']],
    [
      'read, to decide',
      { inspectionFinished: true, read: 15, linesOpen: 3 },
      ['done', 'done', 'done', 'trouble', 'open', 'open'],
    ],
    [
      'read, nothing to do',
      { inspectionFinished: true, read: 15 },
      ['done', 'done', 'done', 'open', 'open', 'open'],
    ],
    ['asked', { read: 15, linesDecided: 3, asked: 3 }, ['done', 'open', 'done', 'begun', 'open', 'open']],
    [
      'at work',
      { read: 15, linesDecided: 3, stepsOpen: 2, stepsDone: 1 },
      ['done', 'open', 'done', 'done', 'begun', 'open'],
    ],
    ['stale', { read: 15, stale: 4, stepsDone: 3 }, ['done', 'open', 'trouble', 'done', 'done', 'open']],
    [
      'checked',
      { read: 15, stepsDone: 3, asLeftRead: 15, benchChecked: true },
      ['done', 'open', 'done', 'done', 'done', 'begun'],
    ],
    [
      'signed',
      { read: 15, stale: 2, stepsDone: 3, signed: true },
      ['done', 'open', 'done', 'done', 'done', 'done'],
    ],
  ])('%s', (_what, more, expected) => {
    expect(allOf(more)).toEqual(expected);
  });

  test('every leaf stands somewhere, whatever the counts', () => {
    const count = fc.nat(20);
    const facts = fc.record<JobFacts>({
      answered: count,
      items: count,
      inspectionFinished: fc.boolean(),
      read: count,
      stations: count,
      stale: count,
      linesOpen: count,
      linesDecided: count,
      asked: count,
      stepsOpen: count,
      stepsDone: count,
      asLeftRead: count,
      benchChecked: fc.boolean(),
      signed: fc.boolean(),
    });
    fc.assert(
      fc.property(facts, (f) => {
        const states = leafStates(f);
        expect(Object.keys(states)).toEqual([...LEAVES]);
        for (const s of Object.values(states)) if (s.kind === 'trouble') expect(s.count).toBeGreaterThan(0);
      }),
    );
  });
});

describe('a broken promise', () => {
  test.each(WAITS)('waiting for %s', (waiting) => {
    expect(isLate('2026-11-24', '2026-11-25', waiting)).toBe(waiting !== 'home');
    expect(isLate('2026-11-25', '2026-11-25', waiting)).toBe(false);
    expect(isLate(null, '2026-11-25', waiting)).toBe(false);
  });
});
