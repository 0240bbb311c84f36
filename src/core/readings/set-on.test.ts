import { likelySet, likelyTuning, readOnOld, saySetOn } from './set-on.ts';

const at = (hour: number): Date => new Date(Date.UTC(2026, 10, 30, hour));
const found = { setOn: '.012–.053', setAge: 'old', startedAt: at(9) } as const;
const on = (hour: number, more: object = {}) => ({
  kind: 'on' as const,
  fresh: true,
  setName: 'Light bronze',
  changedAt: at(hour),
  ...more,
});

test.each([
  ['the first round knows nothing', null, [], { setOn: '', setAge: null }],
  ['as the round before', found, [], { setOn: '.012–.053', setAge: 'old' }],
  ['a new set since', found, [on(10)], { setOn: 'Light bronze', setAge: 'new' }],
  ['a new set without a name', found, [on(10, { setName: '' })], { setOn: '', setAge: 'new' }],
  [
    'the same ones put back',
    found,
    [on(10, { fresh: false, setName: '' })],
    { setOn: '.012–.053', setAge: 'old' },
  ],
  [
    'only one of them new',
    found,
    [on(10, { newOnes: [1], setName: '' })],
    { setOn: '.012–.053', setAge: 'old' },
  ],
  ['what went on before that round was read with it', found, [on(8)], { setOn: '.012–.053', setAge: 'old' }],
  [
    'strings that came off say nothing',
    found,
    [{ kind: 'off' as const, fresh: null, changedAt: at(10) }],
    { setOn: '.012–.053', setAge: 'old' },
  ],
  ['strung up before anything was read', null, [on(8)], { setOn: 'Light bronze', setAge: 'new' }],
] as const)('%s', (_, before, changes, is) => {
  expect(likelySet(before, changes)).toEqual(is);
});

test('is said in a few words, and old strings are no measure of a saddle', () => {
  expect(saySetOn(found)).toBe('.012–.053, old strings');
  expect(saySetOn({ setOn: '', setAge: 'played' })).toBe('played in strings');
  expect(saySetOn({ setOn: '', setAge: null })).toBe('');
  expect(readOnOld([{ setAge: 'new' }, { setAge: 'old' }])).toHaveLength(1);
  expect(readOnOld([{ setAge: 'new' }, { setAge: null }])).toEqual([]);
});

test('the tuning is the round’s before, until strings went on', () => {
  const before = { tuning: 'D A D G A D', startedAt: at(9) };
  const own = 'E A D G B E';
  expect(likelyTuning(before, [], own)).toBe('D A D G A D');
  expect(likelyTuning(before, [on(8)], own)).toBe('D A D G A D');
  expect(likelyTuning(before, [on(10)], own)).toBe(own);
  expect(likelyTuning(null, [], own)).toBe(own);
});
