import { planRulesSchema } from '../../contracts/plan-rules.ts';
import { USUAL_PLAN_RULES } from '../../core/plan/plan-rules.ts';
import { PLANNING_GROUPS, planningTexts, readPlanning } from './planning-fields.ts';

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

test('what is shown reads back to the same rules, and the house takes them', () => {
  const { rules, wrong } = readPlanning(planningTexts(USUAL_PLAN_RULES, 'XXX'), 'XXX');
  expect(wrong).toEqual({});
  expect(planRulesSchema.parse(rules)).toEqual(USUAL_PLAN_RULES);
  expect(planRulesSchema.parse({})).toEqual(USUAL_PLAN_RULES);
});

test('money is written in whole units, shares in per cent, a comma is a point', () => {
  const texts = planningTexts(USUAL_PLAN_RULES, 'XXX');
  expect(texts['weights.day']).toBe('4');
  expect(texts['worth.share']).toBe('50');
  const { rules } = readPlanning(
    {
      ...texts,
      'weights.day': '4,5',
      firstCutShare: '72.5',
      rodActionRatio: '1.8',
    },
    'XXX',
  );
  expect([rules.weights.day, rules.firstCutShare, rules.rodActionRatio]).toEqual([450, 0.725, 1.8]);
});

test('what is no number is said at its field', () => {
  const texts = planningTexts(USUAL_PLAN_RULES, 'XXX');
  expect(readPlanning({ ...texts, 'limits.rod': 'some', 'shape.rise': '' }, 'XXX').wrong).toEqual({
    'limits.rod': 'A number',
    'shape.rise': 'A number',
  });
});
