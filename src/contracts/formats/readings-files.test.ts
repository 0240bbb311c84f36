import fc from 'fast-check';
import { QUANTITIES, QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { SHIPPED_TARGETS } from '../../core/targets/shop-targets.ts';
import { pastedCells } from '../../core/readings/pasted-cells.ts';
import { readReadingsCsv, toReadingsCsv, type ReadingEntry } from './readings.ts';
import { readTargetsFile, targetsFile } from './targets.ts';

const entry = fc.record<ReadingEntry>({
  round: fc.constantFrom('as-found', 'after-work', 'after-work-3', 'as-left'),
  quantity: fc.constantFrom(...QUANTITIES),
  string: fc.integer({ min: 0, max: 12 }),
  fret: fc.integer({ min: 0, max: 24 }),
  value: fc.integer({ min: -3000, max: 9000 }).map((n) => n / 1000),
  typed: fc.string({ maxLength: 20 }),
  unit: fc.constantFrom('mm', '64ths', 'cents'),
  method: fc.string({ maxLength: 20 }),
  gauge: fc.string({ maxLength: 20 }),
  uncertainty: fc.option(fc.constantFrom(0.01, 0.03)),
  by: fc.string({ maxLength: 10 }),
  takenAt: fc.constant('2026-11-23T10:00:00.000Z'),
  notRepresentative: fc.option(fc.string({ maxLength: 10 })),
});

describe('readings as CSV', () => {
  test('come back at their places with their values, whatever stands in the words', () => {
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 8 }), (all) => {
        // What only a person may write (a negative kΩ) is no reading of a gauge.
        const given = all.map((e) =>
          ['degrees', 'kilohms'].includes(QUANTITY_FACTS[e.quantity].measure)
            ? { ...e, value: Math.abs(e.value) }
            : e,
        );
        const back = readReadingsCsv(toReadingsCsv(given));
        if (!back.ok) throw new Error(back.error);
        expect(back.value.map((r) => [r.round, r.key])).toEqual(
          given.map((e) => [e.round, stationKey(e.quantity, e.string, e.fret)]),
        );
        back.value.forEach((r, i) => expect(Number.parseFloat(r.typed)).toBeCloseTo(given[i]?.value ?? 0, 6));
      }),
    );
  });

  const HEAD = 'round,quantity,string,fret,length (mm),pitch error (cents),angle (deg),resistance (kohm)';
  test.each([
    ['no such round', `${HEAD}\r\nsomeday,relief,0,7,0.2,,,\r\n`, /Line 2: “someday” is no round/],
    ['no such quantity', `${HEAD}\r\nas-found,weight,0,7,0.2,,,\r\n`, /Line 2: “weight”/],
    [
      'a value in the wrong column',
      `${HEAD}\r\nas-found,relief,0,7,,0.2,,\r\n`,
      /nothing stands under “length \(mm\)”/,
    ],
    ['a fret that is no number', `${HEAD}\r\nas-found,relief,0,x,0.2,,,\r\n`, /whole numbers/],
    ['words for a value', `${HEAD}\r\nas-found,relief,0,7,much,,,\r\n`, /Line 2: .*not a length/],
    ['a column missing', 'round,quantity\r\nas-found,relief\r\n', /names no column/],
  ])('%s is said with its line', (_, text, said) => {
    expect(readReadingsCsv(text)).toMatchObject({ ok: false, error: expect.stringMatching(said) as unknown });
  });

  test.each([
    ['1.02\n1.01\n', ['1.02', '1.01']],
    ['1\t2\t3', ['1', '2', '3']],
    ['5/64', null],
    ['5/64\r\n', null],
    ['1\r\n\r\n3', ['1', '', '3']],
  ])('pasted %j', (text, cells) => {
    expect(pastedCells(text)).toEqual(cells);
  });
});

describe('targets as a file', () => {
  test('what goes out comes in again the same', () => {
    const back = readTargetsFile(JSON.stringify(targetsFile()), SHIPPED_TARGETS);
    if (!back.ok) throw new Error(back.error);
    expect(targetsFile(back.value)).toEqual(targetsFile());
    expect(back.value.touch.light).toBeCloseTo(-0.4, 6);
    expect(back.value.touch.heavy).toBeCloseTo(0.7, 6);
  });

  test('a kind it does not name keeps what it has', () => {
    const only = targetsFile().filter((r) => r.kind === 'bass' && r.touch === 'medium');
    const raised = only.map((r) => (r.quantity === 'relief' ? { ...r, low: 0.3, aim: 0.4, high: 0.5 } : r));
    const back = readTargetsFile(JSON.stringify(raised), SHIPPED_TARGETS);
    if (!back.ok) throw new Error(back.error);
    expect(back.value.kinds['bass']?.relief).toEqual({ low: 0.3, aim: 0.4, high: 0.5 });
    expect(back.value.kinds['ukulele']).toEqual(SHIPPED_TARGETS.kinds['ukulele']);
    expect(back.value.touch).toEqual({ ...SHIPPED_TARGETS.touch, medium: 0 });
  });

  test.each([
    ['{', 'This file is no JSON.'],
    ['{}', 'The file'],
    ['[{"kind":"bass"}]', '0.'],
    [JSON.stringify([{ ...targetsFile()[0], low: 9 }]), 'must not fall'],
    [
      JSON.stringify([{ ...targetsFile().find((r) => r.touch === 'medium'), quantity: 'radius' }]),
      'nothing is aimed at there',
    ],
  ])('%s is refused', (text, said) => {
    expect(readTargetsFile(text, SHIPPED_TARGETS)).toMatchObject({
      ok: false,
      error: expect.stringContaining(said) as unknown,
    });
  });
});
