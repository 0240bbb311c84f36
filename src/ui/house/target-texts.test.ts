import { KIND_TARGETS } from '../../core/targets/defaults.ts';
import { SHIPPED_TARGETS, type ShopTargets } from '../../core/targets/shop-targets.ts';
import { DISPLAY_UNITS } from '../../core/units/length-units.ts';
import { readTargets, targetTexts } from './target-texts.ts';

const KINDS = Object.keys(KIND_TARGETS).map((id) => ({ id, base: id }));
const SET: ShopTargets = {
  ...SHIPPED_TARGETS,
  kinds: {
    ...SHIPPED_TARGETS.kinds,
    bass: { ...KIND_TARGETS.bass, relief: { low: 0.3017, aim: 0.3831, high: 0.4617 } },
  },
};

test.each(DISPLAY_UNITS)('what nobody typed over keeps its number, however %s show it', (unit) => {
  for (const targets of [SHIPPED_TARGETS, SET]) {
    const read = readTargets(targetTexts(targets, KINDS, unit), [targets], KINDS, unit);
    expect(read.wrong).toEqual({});
    expect(read.targets).toEqual(targets);
  }
});

test.each(DISPLAY_UNITS)('a version taken as a start comes back to the last digit in %s', (unit) => {
  const texts = targetTexts(SET, KINDS, unit);
  expect(readTargets(texts, [SHIPPED_TARGETS, SET], KINDS, unit).targets.kinds.bass).toEqual(SET.kinds.bass);
});

test.each([
  ['64ths', '5½/64', '4.7/64', '6'],
  ['thou', '.087', '.078', '94'],
  ['mm', '2.20 mm', '1,98', '2.38'],
] as const)(
  'in %s a height stands as %s, and is typed in that unit or any other',
  (unit, shown, low, high) => {
    const texts = targetTexts(SHIPPED_TARGETS, KINDS, unit);
    const key = (end: string): string => `steel-acoustic.actionBass.${end}`;
    expect(texts[key('aim')]).toBe(shown);
    const typed = { ...texts, [key('low')]: low, [key('high')]: high, [key('aim')]: '2.1 mm' };
    const { targets, wrong } = readTargets(typed, [SHIPPED_TARGETS], KINDS, unit);
    expect(wrong).toEqual({});
    const band = targets.kinds['steel-acoustic']?.actionBass;
    expect([band?.low, band?.high].map((n) => n?.toFixed(2))).toEqual([
      unit === '64ths' ? '1.87' : '1.98',
      unit === 'thou' ? '2.39' : '2.38',
    ]);
    expect(band?.aim).toBe(2.1);
  },
);

test('what is no length, and ends out of their order, are said at their fields', () => {
  const texts = targetTexts(SHIPPED_TARGETS, KINDS, '64ths');
  const typed = {
    ...texts,
    'bass.relief.aim': 'some',
    'bass.nutGap.high': '.0001',
    'bass.intonation.aim': 'x',
    'touch.light': '',
  };
  const { wrong } = readTargets(typed, [SHIPPED_TARGETS], KINDS, '64ths');
  expect(Object.keys(wrong).sort()).toEqual([
    'bass.intonation.aim',
    'bass.nutGap.aim',
    'bass.relief.aim',
    'touch.light',
  ]);
  expect(wrong['bass.nutGap.aim']).toBe('low ≤ aim ≤ high');
});

test('a kind of the shop’s own goes by its base until it differs, and two ends typed alike are one number', () => {
  const kinds = [...KINDS, { id: 'own-lark', base: 'ukulele' }];
  const texts = targetTexts(SHIPPED_TARGETS, kinds, '64ths');
  expect(readTargets(texts, [SHIPPED_TARGETS], kinds, '64ths').targets.kinds).not.toHaveProperty('own-lark');
  const typed = { ...texts, 'own-lark.actionBass.low': texts['own-lark.actionBass.aim'] ?? '' };
  const { targets, wrong } = readTargets(typed, [SHIPPED_TARGETS], kinds, '64ths');
  expect(wrong).toEqual({});
  expect(targets.kinds['own-lark']?.actionBass.low).toBe(KIND_TARGETS.ukulele.actionBass.aim);
});
