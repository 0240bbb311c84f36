import { isOperationId, ownOperationId } from '../catalogue/operation-ids.ts';
import { plainTax } from '../money/tax.ts';
import { OPERATIONS, circleIn, operation } from '../catalogue/operations.ts';
import { input } from './plan-input-for-tests.ts';
import { optionsFor } from './options.ts';
import { plansFor } from './solve/plans.ts';
import { problemFrom } from './solve/problem-from.ts';

function options(set: Readonly<Record<string, number | null>>, tax = 0.2) {
  const made = problemFrom(input('steel-acoustic', set), {
    touch: 'light',
    worth: null,
    catalogue: OPERATIONS,
    currency: '¤',
  });
  if ('because' in made) throw new Error(made.because);
  return { plans: plansFor(made).plans, options: optionsFor(plansFor(made).plans, plainTax(tax)) };
}

test('an instrument that is good has one option: leave it', () => {
  const { options: o } = options({});
  expect(o).toHaveLength(1);
  expect(o[0]).toMatchObject({ id: 'leave', price: { low: 0, high: 0 }, days: 0, left: [] });
  expect(o[0]?.original).toBe('Everything stays original.');
});

test('prices carry the tax, what is left is said in plain words, what is cut is named', () => {
  const { plans, options: o } = options({
    'action:6:12': 3.2,
    'action:1:12': 2.6,
    'saddle-standout': 5,
    intonation: null,
  });
  const [leave, enough] = o;
  expect(leave?.left).toEqual(['The strings stand high: it takes more strength.']);
  expect(enough?.left).toEqual([]);
  expect(enough?.price.high).toBe(Math.round((plans[1]?.cost.price.high ?? 0) * 1.2));
  expect(enough?.done).toEqual([
    'The saddle is lowered, so that the strings stand nearer.',
    'It gets a new set of strings, and every fret is played and listened to.',
  ]);
  expect(enough?.original).toContain('the saddle is cut lower');
  expect(enough?.risk).toMatch(/^Small: 1 step takes/);
});

test('a step that may show something unseen is called a risk', () => {
  const { options: o } = options({ 'action:6:12': 3.6, 'action:1:12': 3, 'saddle-standout': 1.8 });
  expect(o.some((x) => x.risk.startsWith('Some: reset the neck'))).toBe(true);
});

test('every kind of thing left undone has its words', () => {
  const left = (set: Readonly<Record<string, number>>) => options(set).options[0]?.left.join(' ');
  expect(left({ relief: 0.5 })).toContain('bowed more');
  expect(left({ relief: 0.05 })).toContain('straighter');
  expect(left({ 'action:6:12': 1.4 })).toContain('On one side the strings stand very low');
  expect(left({ 'nut-gap:3:1': 0.4 })).toContain('One string is hard to press');
  expect(left({ 'nut-gap': 0.01 })).toContain('Some strings sit very deep');
  expect(left({ 'intonation:2:12': 7 })).toContain('One string plays a little out of tune');
});

test('a circle of needs is found and shown', () => {
  expect(circleIn(OPERATIONS)).toBeNull();
  const bent = OPERATIONS.map((o) => (o.id === 'rod' ? { ...o, needs: ['shim' as const] } : o));
  const circle = circleIn(bent);
  expect(circle?.[0]).toBe(circle?.at(-1));
  expect(circle).toEqual(expect.arrayContaining(['rod', 'shim']));
});

describe('a shop’s own operations', () => {
  test('have ids of their own, made from their names', () => {
    expect(ownOperationId('Engrave a name', [])).toBe('own-engrave-a-name');
    expect(ownOperationId('Engrave a name', ['own-engrave-a-name'])).toBe('own-engrave-a-name-2');
    expect(isOperationId(ownOperationId('!?', []))).toBe(true);
    expect(isOperationId('rod')).toBe(true);
    expect(isOperationId('own-')).toBe(false);
    expect(isOperationId('gold')).toBe(false);
  });
  test('are still known by name when they are gone; a shipped one comes back as it ships', () => {
    expect(operation('own-engrave-a-name', []).name).toBe('engrave a name');
    expect(operation('rod', []).name).toBe('Adjust the truss rod');
    expect(() => operation('gold' as 'rod')).toThrow(RangeError);
  });
});
