import { stepMark, stepWords } from './bench-words.ts';

const line = {
  title: 'Lower the saddle',
  detail: 'Take 0.5000 mm (0.50 mm) off',
  approval: 'yes',
  step: 'ready',
  forGood: 'cannot be undone: first cut, rest, then read again',
  hazards: ['Bone dust: respirator.'],
} as const;

test('a step says what it is in its reader’s unit, what cannot be undone and what to beware of', () => {
  expect(stepWords(line, '64ths')).toBe(
    'Lower the saddle: Take 1.3/64 (0.50 mm) off. Cannot be undone: first cut, rest, then read again. Beware: Bone dust: respirator. Follow the safety sheet and local rules.',
  );
  expect(stepWords({ ...line, detail: '', forGood: '', hazards: [] }, 'mm')).toBe('Lower the saddle.');
});

test('what is not agreed is not to be begun, and what is done warns of nothing', () => {
  expect(stepWords({ ...line, approval: 'asked' }, 'mm')).toContain('Not agreed yet: do not begin.');
  expect(stepWords({ ...line, step: 'finished' }, 'mm')).not.toContain('Beware');
  expect(
    (['ready', 'running', 'paused', 'finished'] as const).map((step) => stepMark({ approval: 'yes', step })),
  ).toEqual(['[   ]', '[ / ]', '[ / ]', '[ x ]']);
  expect(stepMark({ approval: 'asked', step: 'ready' })).toBe('–');
});
