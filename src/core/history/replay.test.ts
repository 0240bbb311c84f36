import { replay, type ReplayedEntry } from './replay.ts';

const e = (
  kind: string,
  entity: string,
  entityId: string,
  data: unknown,
  jobId: number | null = 7,
): ReplayedEntry => ({
  kind,
  entity,
  entityId,
  data,
  jobId,
});

test('what was said last stands, job by job', () => {
  const state = replay([
    e('item answered', 'inspection', 'case', { after: { answer: 'fine', note: '' } }),
    e('item answered', 'inspection', 'case', { after: { answer: 'work', note: 'latch' } }),
    e('item answered', 'inspection', 'case', { after: { answer: null, note: '' } }, 8),
    e('reading taken', 'reading', 'as-left:relief:0:7', { after: { typed: '.008' } }),
    e('reading taken', 'reading', 'as-left:relief:0:7', { after: { typed: '.009' } }, 8),
    e('customer said yes', 'work line', '3', { by: 'Petra' }),
    e('step start', 'work line', '3', { before: 'ready' }),
    e('step interrupted', 'work line', '3', { by: 4 }),
    e('step finish', 'work line', '4', {}),
    e('step undone', 'work line', '4', { after: 'running' }),
    e('clock corrected', 'work line', '3', { stopped: false }),
    e('clock corrected', 'work line', '4', { stopped: true }),
    e('remark made', 'remark', '1', { after: { words: 'Bone?' } }),
    e('remark answered', 'remark', '1', { after: { answer: 'Bone.' } }),
    e('job moved', 'job', '7', { after: { waitingFor: 'part' } }),
    e('something else', 'job', '7', null),
  ]);
  expect(Object.fromEntries(state.answers)).toEqual({
    '7:case': { answer: 'work', note: 'latch' },
    '8:case': { answer: null, note: '' },
  });
  expect(Object.fromEntries(state.steps)).toEqual({ 3: 'paused', 4: 'paused' });
  expect(state.words.get('3')).toBe('yes');
  expect(state.remarks.get('1')).toEqual({ words: 'Bone?', answer: 'Bone.' });
  expect(state.moved.get(7)).toEqual({ waitingFor: 'part' });
  expect(state.readings.get('8:as-left:relief:0:7')).toBe('.009');
});

test('what was left at a signature becomes a round of its own when the job is reopened', () => {
  const state = replay([
    e('reading taken', 'reading', 'as-left:relief:0:7', { after: { typed: '.008' } }),
    e('reading taken', 'reading', 'as-left:relief:0:7', { after: { typed: '.003' } }, 8),
    e('job reopened', 'job', '7', { round: 'after-work' }),
    e('reading taken', 'reading', 'as-left:relief:0:7', { after: { typed: '.006' } }),
  ]);
  expect(Object.fromEntries(state.readings)).toEqual({
    '7:after-work:relief:0:7': '.008',
    '7:as-left:relief:0:7': '.006',
    '8:as-left:relief:0:7': '.003',
  });
});
