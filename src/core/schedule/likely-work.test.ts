import { OPERATIONS } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { ANSWER } from './answers.ts';
import { likelyWork, type GuessedBy, type JobBefore } from './likely-work.ts';
import type { PastJob } from './such-jobs.ts';

const NEW: JobBefore = {
  id: 7,
  facts: { inspectionFinished: false, read: 0, stations: 10 },
  findings: [],
  wanted: [],
  said: '',
  kind: 'steel-acoustic',
  built: usualConstruction('steel-acoustic'),
  strings: 'at-pitch',
};
const BY: GuessedBy = { catalogue: OPERATIONS, measured: new Map() };
const work = (more: Partial<JobBefore>, by: Partial<GuessedBy> = {}) =>
  likelyWork({ ...NEW, ...more }, { ...BY, ...by });
const ids = (more: Partial<JobBefore>, by: Partial<GuessedBy> = {}) =>
  work(more, by).steps.map((s) => s.id.replace(/^guess:7:|:7$/g, ''));
const setupOf = (more: Partial<JobBefore>, by: Partial<GuessedBy> = {}) =>
  work(more, by).steps.find((s) => s.id === 'guess:7:setup')?.minutes;

test('words bring work of their own before the setup, in the order of the work', () => {
  expect(ids({ said: 'The bridge is lifting and the frets are worn.' })).toEqual([
    'look',
    'read',
    'bridge-reglue',
    'fret-dress',
    'setup',
  ]);
});

test('what is part of another is not planned beside it; a neck that is warmed rests its week', () => {
  expect(ids({ said: 'Refret. The frets need levelling.' })).toEqual(['look', 'read', 'refret', 'setup']);
  expect(ids({ said: 'The neck is twisted.' })).toEqual([
    'look',
    'read',
    'neck-heat',
    'neck-settle',
    'setup',
  ]);
});

test('once it was looked at, what was found stands for what was said; what can only be wished for stays', () => {
  const looked = { facts: { ...NEW.facts, inspectionFinished: true } };
  const said = 'It buzzes, and I would like a new pickup.';
  expect(ids({ said })).toEqual(['look', 'read', 'buzz-hunt', 'pickup-new', 'setup']);
  expect(ids({ said, ...looked })).toEqual(['read', 'pickup-new', 'setup']);
  expect(ids({ said, ...looked, findings: ['socket:loose'] })).toEqual([
    'read',
    'socket',
    'pickup-new',
    'setup',
  ]);
});

test('who wants strings and nothing else gets strings and nothing else', () => {
  expect(ids({ said: 'Just new strings, please.' })).toEqual(['restring']);
  expect(ids({ said: 'Just new strings, please.', findings: ['board:dry'] })).toContain('setup');
});

test('a plain setup has what the instrument has: by its kind, and by how its strings are', () => {
  const electric = usualConstruction('solid-electric');
  const steel = setupOf({})?.likely ?? 0;
  const minutes = (id: OperationId) => OPERATIONS.find((o) => o.id === id)?.minutes.likely ?? 0;
  expect(setupOf({ strings: 'off' })?.likely).toBeCloseTo(steel + 0.6 * minutes('string-up'), 9);
  expect(setupOf({ built: electric })?.likely).toBeCloseTo(
    steel +
      0.6 *
        (minutes('pickup-height') + minutes('saddle-set') + minutes('intonate') - minutes('saddle-lower')),
    9,
  );
  expect(setupOf({ built: { ...electric, rod: 'none' } })?.likely).toBeLessThan(
    setupOf({ built: electric })?.likely ?? 0,
  );
});

test('what is guessed asks for no more skill than there is in the house', () => {
  const skills = (best?: number) => work({ said: 'It buzzes.' }, { best }).steps.map((s) => s.skill);
  expect(skills()).toEqual([1, 1, 2, 1]);
  expect(skills(1)).toEqual([1, 1, 1, 1]);
  expect(skills(0)).toEqual([0, 0, 0, 0]);
});

test('their yes is waited for before what goes beyond a setup, after all was read', () => {
  const answers = { plain: null, beyond: { low: 60, likely: 1440, high: 4320 } };
  const asked = (more: Partial<JobBefore>, by: Partial<GuessedBy> = {}) =>
    work(more, by).steps.flatMap((s) => (s.asks ? [[s.id, s.wait, s.rests]] : []));
  expect(asked({ said: 'The bridge is lifting.' }, { answers })).toEqual([['read:7', 1440, answers.beyond]]);
  expect(asked({ said: 'The bridge is lifting.' })).toEqual([['read:7', ANSWER.likely, ANSWER]]);
  expect(asked({ said: 'Set it up.' }, { answers })).toEqual([]);
  expect(asked({ said: 'Set it up.' }, { answers: { ...answers, plain: ANSWER } })).toHaveLength(1);
  // Just a set of strings is agreed over the counter, and so is everything where nobody ever had to be called.
  expect(asked({ said: 'Just new strings' }, { answers: { plain: ANSWER, beyond: ANSWER } })).toEqual([]);
  expect(asked({ said: 'The bridge is lifting.' }, { answers: { plain: null, beyond: null } })).toEqual([]);
  // Where all was read already, no step of it is left after which they are asked: it is still to be asked.
  const read = { inspectionFinished: true, read: 10, stations: 10 };
  const after = work({ facts: read, findings: ['bridge:lifting'], wanted: ['bridge-reglue'] }, { answers });
  expect([after.asks, after.steps.some((s) => s.asks)]).toEqual([answers.beyond, false]);
});

test('what such jobs took here goes before the trade’s minutes, and says by how many', () => {
  const past = [100, 110, 120, 130, 140].map((m): PastJob => ({
    kind: 'steel-acoustic',
    minutes: new Map<OperationId, number>([
      ['saddle-lower', m],
      ['pins', 25],
    ]),
  }));
  expect(ids({}, { past })).toEqual(['look', 'read', 'pins', 'setup']);
  expect(setupOf({}, { past })).toEqual({ low: 100, likely: 120, high: 140 });
  expect(work({}, { past }).such).toBe(5);
  expect(work({ kind: 'bass' }, { past }).such).toBe(0);
});
