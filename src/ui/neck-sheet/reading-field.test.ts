import { usualConstruction } from '../../core/instrument/defaults.ts';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import { stationsOf } from '../../core/readings/stations.ts';
import type { Target } from '../../core/targets/target.ts';
import { fieldState, type ReadingView } from './reading-field.tsx';

const ACTION: Target = { low: 2, aim: 2.2, high: 2.5, layer: 'kind' };

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
