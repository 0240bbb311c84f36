import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { bareUnit } from '../units/bare-unit.ts';
import { parseLength } from '../units/parse-length.ts';
import { KIND_TARGETS } from './defaults.ts';
import { verdict, type Target } from './target.ts';
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
    [1.984375, 'action', 'thou', '.078'],
    [1.984375, 'action', 'mm', '1.98 mm'],
    [0.2032, 'relief', '64ths', '.008'],
    [-1.5, 'intonation', '64ths', '−1.5 c'],
  ] as const)('%d %s on a sheet of %s is %s', (value, quantity, displayUnit, said) => {
    expect(sayValue(value, quantity, displayUnit)).toBe(said);
  });

  test.each([
    [ACTION, 'action', '64ths', '5–6.3'],
    [band(2.0, 2.2, 2.58), 'action', '64ths', '5–6½'],
    [band(0.25, 0.3, 0.4), 'relief', '64ths', '.010–.0157'],
    [band(0.04, 0.08, 0.12), 'nut-gap', 'thou', '.0016–.0047'],
    [ACTION, 'action', 'mm', '2.00–2.50'],
    [band(0.15, 0.2, 0.25), 'relief', '64ths', '.006–.010'],
    [band(-2, 0, 2), 'intonation', '64ths', '−2 to +2'],
  ] as const)('a band is said short', (target, quantity, displayUnit, said) => {
    expect(sayBand(target, quantity, displayUnit)).toBe(said);
  });

  test('who reads the edge of a band as it is said is not out of it, whatever the kind and the unit', () => {
    let edges = 0;
    for (const target of Object.values(KIND_TARGETS).flatMap((t) =>
      (['relief', 'nutGap', 'actionBass', 'actionTreble'] as const).map(
        (field) => [field, t[field]] as const,
      ),
    ))
      for (const unit of ['64ths', 'thou', 'mm'] as const) {
        const [field, own] = target;
        const quantity = field === 'relief' ? 'relief' : field === 'nutGap' ? 'nut-gap' : 'action';
        const said = sayBand(own, quantity, unit);
        for (const text of said.split(/–| to /)) {
          const read = parseLength(text, bareUnit(text, unitOf(quantity, unit)));
          if (!read.ok) throw new Error(text);
          expect([said, verdict(read.value.mm, own, QUANTITY_FACTS[quantity].tells)]).toEqual([
            said,
            expect.stringMatching(/in|edge/),
          ]);
          edges++;
        }
      }
    expect(edges).toBeGreaterThan(100);
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
    ['.014', 'in', 'thou', '.014 in'],
    ['5/64', 'in', 'mm', '5/64'],
    ['+3', 'cents', 'mm', '+3'],
  ] as const)('%s typed in %s stands in a field of %s as %s', (typed, unit, field, said) => {
    expect(asTyped(typed, unit, field)).toBe(said);
  });
});
