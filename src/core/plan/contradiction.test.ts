import type { Target, Touch } from '../targets/target.ts';
import { contradiction } from './contradiction.ts';
import { planOfJob } from './plan-of-job.ts';
import { input } from './plan-input-for-tests.ts';
import { JOB, problem } from './solve/problem-for-tests.ts';

const wished = (aim: number, layer: Target['layer']) => {
  const i = input('steel-acoustic');
  const low = (key: string, by: number): [string, Target] => [
    key,
    { low: aim - by - 0.2, aim: aim - by, high: aim - by + 0.2, layer },
  ];
  return { ...i, targets: new Map([...i.targets, low('action:6:12', 0), low('action:1:12', 0.4)]) };
};
const said = (aim: number, touch: Touch, layer: Target['layer'] = 'customer') => {
  const { targets } = wished(aim, layer);
  return contradiction({ ...problem('steel-acoustic', {}, { targets }), touch }, 0);
};

test('a very low wish and a heavy hand are named, with the lowest that clears for it', () => {
  expect(said(1.2, 'heavy').join()).toMatch(/contradict each other: .* clears from about \d\.\d{4} mm bass/);
});

test('not where it clears, where nobody wished, or where nobody plays', () => {
  expect(said(3, 'heavy')).toEqual([]);
  expect(said(1.2, 'heavy', 'kind')).toEqual([]);
  const { targets } = wished(1.2, 'customer');
  expect(contradiction({ ...problem('steel-acoustic', {}, { targets }), touch: null }, 0)).toEqual([]);
});

test('the harder the hand, the higher the lowest that clears', () => {
  const bass = (touch: Touch) => Number(/([\d.]+) mm bass/.exec(said(0.8, touch).join())?.[1]);
  expect(bass('heavy')).toBeGreaterThan(bass('medium'));
  expect(bass('medium')).toBeGreaterThan(bass('light'));
});

test('it stands among the questions of the plan', () => {
  const { proposal } = planOfJob(wished(1.2, 'customer'), { ...JOB, touch: 'heavy' });
  expect(proposal.questions.join()).toContain('contradict each other');
});
