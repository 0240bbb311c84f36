import fc from 'fast-check';
import { sayChange, sayPlain } from './say-change.ts';

const entry = (data: unknown, entityId = 'as-found:action:6:12') => ({
  kind: 'reading taken',
  entity: 'reading',
  entityId,
  data,
});

test('a first reading has nothing before it; a second says both', () => {
  expect(sayChange(entry({ before: null, after: { typed: '5/64', value: '1.98' } }))).toEqual({
    of: 'as found: action, string 6, fret 12',
    from: '',
    to: '5/64',
  });
  expect(sayChange(entry({ before: { typed: '5/64' }, after: { typed: '4/64' } }))).toMatchObject({
    from: '5/64',
    to: '4/64',
  });
});

test('a place is said as the bench says it', () => {
  const of = (id: string) => sayChange(entry({}, id)).of;
  expect(of('as-left:relief:0:7')).toBe('as left: relief, fret 7');
  expect(of('as-found:saddle-standout:0:0')).toBe('as found: saddle stands out');
  expect(of('strange')).toBe('reading strange');
});

test('an answer with its note, a decision with its reason', () => {
  expect(sayChange(entry({ before: null, after: { answer: 'work', note: '9th rocks' } })).to).toBe(
    'work: 9th rocks',
  );
  expect(sayChange(entry({ before: null, after: { change: 'half of it', reason: 'she asked' } })).to).toBe(
    'half of it (she asked)',
  );
});

test('of a thing with many fields only what changed is said', () => {
  const said = sayChange(
    entry({ before: { low: 1, aim: 2, high: 3 }, after: { low: 1, aim: 2.5, high: 3 } }, '12'),
  );
  expect(said).toEqual({ of: 'reading', from: 'aim 2', to: 'aim 2.5' });
});

test('what has no before and after is said as it is', () => {
  expect(sayChange(entry({ by: 12, names: ['a', 'b'], none: null, yes: true })).to).toBe(
    'by 12, names a, b, yes yes',
  );
  expect(sayChange(entry(null))).toMatchObject({ from: '', to: '' });
  expect(sayChange(entry('text')).to).toBe('');
});

test('anything that can be kept can be said, and never at length', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (data) => {
      const said = sayChange(entry(data));
      expect(said.from.length).toBeLessThanOrEqual(160);
      expect(said.to.length).toBeLessThanOrEqual(160);
      expect(typeof sayPlain(data)).toBe('string');
    }),
  );
});

describe('plain words of a value', () => {
  test.each([
    [null, ''],
    [undefined, ''],
    ['', ''],
    [0, '0'],
    [false, 'no'],
    [true, 'yes'],
    ['ab', 'ab'],
    [['a', '', null, 'b'], 'a, b'],
    [{ a: 1, b: '', c: null, d: [] }, 'a 1'],
    [() => 1, ''],
  ])('%j reads %j', (value, words) => {
    expect(sayPlain(value)).toBe(words);
  });
});

describe('one half of a change', () => {
  const to = (after: unknown) => sayChange(entry({ before: null, after }, '12')).to;
  test.each([
    ['a list', ['a', 'b'], 'a, b'],
    ['a plain word', 'gone', 'gone'],
    ['a number', 5, '5'],
    ['what has no chief field', { low: 1, high: 2 }, 'low 1, high 2'],
    ['a chief field that is empty gives way to the next', { typed: '', answer: 'fine' }, 'fine'],
    ['a chief field that is no text gives way to the next', { typed: 7, answer: 'fine' }, 'fine'],
    ['an empty note is no note', { answer: 'fine', note: '', reason: '' }, 'fine'],
    ['a note that is no text is no note', { answer: 'fine', note: 5, reason: 6 }, 'fine'],
    ['a note and a reason', { answer: 'work', note: 'buzz', reason: 'asked' }, 'work: buzz (asked)'],
  ])('%s', (_name, after, words) => {
    expect(to(after)).toBe(words);
  });

  test('160 signs are said whole, 161 are cut to 160', () => {
    expect(to('x'.repeat(160))).toBe('x'.repeat(160));
    expect(to('x'.repeat(161))).toBe(`${'x'.repeat(159)}…`);
  });
});

describe('what of a change is said', () => {
  test.each([
    ['from a thing to nothing', { low: 1 }, null, 'low 1', ''],
    ['from nothing to a thing', null, { low: 1 }, '', 'low 1'],
    ['a list against a list is said whole', [1, 2], [1, 3], '1, 2', '1, 3'],
    ['a list against a thing is said whole', [1], { low: 1 }, '1', 'low 1'],
    ['a word against a thing is said whole', 'old', { low: 1 }, 'old', 'low 1'],
    [
      'a thing with a chief field is said by it, changed or not',
      { name: 'A', low: 1 },
      { name: 'A', low: 2 },
      'A',
      'A',
    ],
    ['nothing changed: both are said', { low: 1 }, { low: 1 }, 'low 1', 'low 1'],
    ['a field that came', { low: 1 }, { low: 1, high: 2 }, '', 'high 2'],
  ])('%s', (_name, before, after, from, to) => {
    expect(sayChange(entry({ before, after }, '12'))).toEqual({ of: 'reading', from, to });
  });

  test('where only what was before is kept, the rest of the entry is what is', () => {
    expect(sayChange(entry({ before: 'old', words: 'new' }, '12'))).toMatchObject({ from: 'old', to: 'new' });
    expect(sayChange(entry({ after: 'new' }, '12'))).toMatchObject({ from: '', to: 'new' });
  });
});

describe('what a change is about', () => {
  const of = (entity: string, id: string) => sayChange({ kind: 'x', entity, entityId: id, data: {} }).of;
  test.each([
    ['a number says nothing to a person', 'line', '12', 'line'],
    ['a name is said', 'gauge', 'dial-2', 'gauge dial-2'],
    ['a name that begins with a number too', 'gauge', '2-dial', 'gauge 2-dial'],
    ['a name that ends with one too', 'gauge', 'dial2', 'gauge dial2'],
    ['only a reading has a place', 'target', 'as-found:action:6:12', 'target as-found:action:6:12'],
    ['a round nobody knows', 'reading', 'someday:action:6:12', 'reading someday:action:6:12'],
    ['a quantity nobody knows', 'reading', 'as-found:weight:6:12', 'reading as-found:weight:6:12'],
    ['without string and fret', 'reading', 'as-found:relief', 'as found: relief'],
  ])('%s', (_name, entity, id, words) => {
    expect(of(entity, id)).toBe(words);
  });
});
