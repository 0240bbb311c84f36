import { planRulesSchema } from '../../contracts/plan-rules.ts';
import { USUAL_PLAN_RULES } from '../../core/plan/plan-rules.ts';
import { DISPLAY_UNITS } from '../../core/units/length-units.ts';
import { labelOf, PLANNING_GROUPS, planningTexts, readPlanning } from './planning-fields.ts';

const READER = { currency: 'XXX', unit: 'mm' } as const;

const leaves = (tree: object, path = ''): string[] =>
  Object.entries(tree).flatMap(([key, value]) =>
    value !== null && typeof value === 'object'
      ? leaves(value as object, `${path}${key}.`)
      : [`${path}${key}`],
  );

test('every number of the rules has its field, and no field is without one', () => {
  const fields = PLANNING_GROUPS.flatMap((g) => g.fields.map((f) => f.path)).sort();
  expect(fields).toEqual(leaves(USUAL_PLAN_RULES).sort());
});

test.each(DISPLAY_UNITS)(
  'what is shown in %s reads back to the same rules, and the house takes them',
  (unit) => {
    const reader = { currency: 'XXX', unit };
    const { rules, wrong } = readPlanning(planningTexts(USUAL_PLAN_RULES, reader), USUAL_PLAN_RULES, reader);
    expect(wrong).toEqual({});
    expect(planRulesSchema.parse(rules)).toEqual(USUAL_PLAN_RULES);
    expect(planRulesSchema.parse({})).toEqual(USUAL_PLAN_RULES);
  },
);

test('money is written in whole units, shares in per cent, a comma is a point', () => {
  const texts = planningTexts(USUAL_PLAN_RULES, READER);
  expect(texts['weights.day']).toBe('4');
  expect(texts['worth.share']).toBe('50');
  const { rules } = readPlanning(
    {
      ...texts,
      'weights.day': '4,5',
      firstCutShare: '72.5',
      rodActionRatio: '1.8',
    },
    USUAL_PLAN_RULES,
    READER,
  );
  expect([rules.weights.day, rules.firstCutShare, rules.rodActionRatio]).toEqual([450, 0.725, 1.8]);
});

test('what is no number is said at its field', () => {
  const texts = planningTexts(USUAL_PLAN_RULES, READER);
  expect(
    readPlanning({ ...texts, 'limits.tilt': 'some', 'shape.rise': '' }, USUAL_PLAN_RULES, READER).wrong,
  ).toEqual({
    'limits.tilt': 'A number',
    'shape.rise': 'A number',
  });
});

test('what a feeler reads stands in whoever’s unit reads it, and any unit may be typed', () => {
  const thou = { currency: 'XXX', unit: '64ths' } as const;
  const texts = planningTexts(USUAL_PLAN_RULES, thou);
  expect([texts['shape.hump'], planningTexts(USUAL_PLAN_RULES, READER)['shape.hump']]).toEqual([
    `${Number((USUAL_PLAN_RULES.shape.hump / 0.0254).toFixed(1))} thou`,
    `${USUAL_PLAN_RULES.shape.hump} mm`,
  ]);
  const read = (text: string) => readPlanning({ ...texts, 'limits.rod': text }, USUAL_PLAN_RULES, thou);
  expect(['20', '.020', '0.508 mm', '20 thou'].map((t) => read(t).rules.limits.rod.toFixed(3))).toEqual(
    Array.from({ length: 4 }, () => '0.508'),
  );
  expect(Object.keys(read('-3').wrong)).toEqual(['limits.rod']);
  expect(read('some').wrong['limits.rod']).toContain('is not a length');
  const field = PLANNING_GROUPS.flatMap((g) => g.fields).filter((f) =>
    ['shape.hump', 'limits.tilt'].includes(f.path),
  );
  expect(field.map((f) => labelOf(f, 'XXX'))).toEqual([
    'A shim lifts at the saddle at most, mm',
    'A hump counts from',
  ]);
});
