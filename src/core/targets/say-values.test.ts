import { usualConstruction } from '../instrument/defaults.ts';
import { stationsOf } from '../readings/stations.ts';
import type { Target } from './target.ts';
import { fieldState, type ReadingView } from '../../ui/neck-sheet/reading-field.tsx';
import type { StationView } from '../job/views/sheet-stations.ts';
import { asTyped, sayBand, sayValue, sayVerdict, unitOf } from './say-values.ts';

const band = (low: number, aim: number, high: number): Target => ({ low, aim, high, layer: 'kind' });
const ACTION = band(2.0, 2.2, 2.5);

describe('how the sheet speaks', () => {
  test.each([
    ['action', '64ths', '64ths'],
    ['action', 'thou', 'thou'],
    ['action', 'mm', 'mm'],
    ['relief', '64ths', 'thou'],
    ['nut-gap', 'mm', 'mm'],
    ['saddle-standout', '64ths', 'mm'],
  ] as const)('%s on a sheet of %s counts in %s', (quantity, displayUnit, unit) => {
    expect(unitOf(quantity, displayUnit)).toBe(unit);
  });

  test.each([
    [1.984375, 'action', '64ths', '5/64'],
    [1.984375, 'action', 'thou', '../../ui/neck-sheet/.078'],
    [1.984375, 'action', 'mm', '1.98 mm'],
    [0.2032, 'relief', '64ths', '../../ui/neck-sheet/.008'],
    [-1.5, 'intonation', '64ths', '−1.5 c'],
  ] as const)('%d %s on a sheet of %s is %s', (value, quantity, displayUnit, said) => {
    expect(sayValue(value, quantity, displayUnit)).toBe(said);
  });

  test.each([
    [ACTION, 'action', '64ths', '5–6½'],
    [ACTION, 'action', 'mm', '2.00–2.50'],
    [band(0.15, 0.2, 0.25), 'relief', '64ths', '../../ui/neck-sheet/.006–.010'],
    [band(-2, 0, 2), 'intonation', '64ths', '−2 to +2'],
  ] as const)('a band is said short', (target, quantity, displayUnit, said) => {
    expect(sayBand(target, quantity, displayUnit)).toBe(said);
  });

  test.each([
    [2.3, { mark: '●', red: false, words: 'in its band' }],
    [2.49, { mark: '●', red: false, words: 'just in' }],
    [2.976, { mark: '▲', red: true, words: '1.2/64 high' }],
    [1.603, { mark: '▼', red: true, words: '1/64 low' }],
  ])('%d against its band has a shape and a word, not only a colour', (value, expected) => {
    expect(sayVerdict(value, ACTION, 'action', '64ths')).toEqual(expected);
  });

  test('pitch is sharp or flat', () => {
    const cents = band(-2, 0, 2);
    expect(sayVerdict(5, cents, 'intonation', '64ths').words).toBe('3 c sharp');
    expect(sayVerdict(-5, cents, 'intonation', '64ths').words).toBe('3 c flat');
  });

  test.each([
    ['5', '64ths', 'mm', '5/64'],
    ['5', '64ths', '64ths', '5'],
    ['../../ui/neck-sheet/.014', 'in', 'thou', '../../ui/neck-sheet/.014 in'],
    ['5/64', 'in', 'mm', '5/64'],
    ['+3', 'cents', 'mm', '+3'],
  ] as const)('%s typed in %s stands in a field of %s as %s', (typed, unit, field, said) => {
    expect(asTyped(typed, unit, field)).toBe(said);
  });
});

describe('what a field shows', () => {
  const found = stationsOf(usualConstruction('steel-acoustic')).find((s) => s.key === 'action:6:12');
  if (!found) throw new Error('no such station');
  const station: StationView = { ...found, target: ACTION };
  const reading: ReadingView = {
    asCourse: null,
    unrested: null,
    key: station.key,
    quantity: 'action',
    string: 6,
    fret: 12,
    standard: 0,
    converted: null,
    uncertainty: null,
    copiedFrom: null,
    sound: null,
    buzz: null,
    round: 'as-found',
    value: 2.976,
    typed: '7.5',
    unit: '64ths',
    method: '',
    gauge: '',
    by: 'Ilse',
    takenAt: '',
    notRepresentative: null,
    stale: null,
    version: 1,
  };
  const typing = { text: '5', base: 1, state: 'typing' } as const;

  test('the house’s reading in the sheet’s unit, as typed when written in', () => {
    expect(fieldState(station, reading, undefined, undefined, '64ths')).toMatchObject({
      text: '7.5',
      shown: '7½/64',
      words: '1.2/64 high',
    });
    expect(fieldState(station, reading, undefined, undefined, 'mm')).toMatchObject({
      text: '7.5/64',
      shown: '2.98 mm',
    });
  });

  test('what is being typed, judged as it is typed', () => {
    expect(fieldState(station, reading, undefined, typing, '64ths')).toMatchObject({
      text: '5',
      shown: '5',
      words: 'just in',
    });
    expect(fieldState(station, undefined, undefined, { ...typing, text: '5 fur' }, '64ths')).toMatchObject({
      shown: '5 fur',
      mark: '',
    });
  });

  test('what was just kept, until the house shows it', () => {
    expect(
      fieldState(station, reading, { typed: '6', unit: '64ths', version: 2 }, undefined, '64ths'),
    ).toMatchObject({
      shown: '6/64',
      words: 'in its band',
    });
    expect(
      fieldState(
        station,
        { ...reading, version: 2 },
        { typed: '6', unit: '64ths', version: 2 },
        undefined,
        '64ths',
      ).shown,
    ).toBe('7½/64');
  });

  test.each([
    ['unsent', 'unsent, kept here'],
    ['wrong', 'cannot be read'],
    ['asked', 'is it so?'],
    ['conflict', 'changed by a colleague'],
  ] as const)('a draft that is %s says so in words', (state, words) => {
    expect(fieldState(station, reading, undefined, { ...typing, state }, '64ths')).toMatchObject({
      text: '5',
      mark: '◆',
      red: true,
      words,
    });
  });

  test('stale is struck with its reason, unrepresentative is marked with its own', () => {
    expect(
      fieldState(station, { ...reading, stale: 'Lower the saddle' }, undefined, undefined, '64ths'),
    ).toMatchObject({ struck: true, words: 'stale: lower the saddle' });
    const missing = { ...reading, notRepresentative: 'taken with a string missing' };
    expect(fieldState(station, missing, undefined, undefined, '64ths')).toMatchObject({
      mark: '◇',
      struck: false,
      red: true,
    });
  });

  test('nothing read says nothing, or that it may stay so', () => {
    expect(fieldState(station, undefined, undefined, undefined, '64ths')).toMatchObject({
      text: '',
      shown: '',
      words: '',
    });
    expect(fieldState({ ...station, optional: true }, undefined, undefined, undefined, '64ths').words).toBe(
      'optional',
    );
  });
});
