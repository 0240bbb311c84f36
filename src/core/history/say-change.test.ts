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
