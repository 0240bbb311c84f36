import { clockTrouble, copyTrouble, diskTrouble, gaugeTrouble, sealTrouble } from './troubles.ts';

const GB = 1e9;
const kind = (state: 'never' | 'fresh' | 'old' | 'failed', trouble: string | null = null) => ({
  state,
  trouble,
  good: null,
});

test('a disk with little left in gigabytes and in parts is nearly full', () => {
  expect(diskTrouble(50 * GB, 100 * GB)).toBeNull();
  expect(diskTrouble(1.5 * GB, 8 * GB)).toBeNull();
  expect(diskTrouble(4 * GB, 1000 * GB)).toBeNull();
  expect(diskTrouble(1.5 * GB, 100 * GB)).toContain('1500 MB left');
});

test('a clock behind the last change is off; a little is not', () => {
  const now = Date.UTC(2026, 10, 27, 9);
  expect(clockTrouble(null, now)).toBeNull();
  expect(clockTrouble(now + 60_000, now)).toBeNull();
  expect(clockTrouble(now + 3_600_000, now)).toContain('2026-11-27T10:00');
});

test('copies, seals and gauges say what to do', () => {
  expect(copyTrouble(kind('fresh'))).toBeNull();
  expect(copyTrouble(kind('never'))).toContain('./rubrica backup');
  expect(copyTrouble(kind('failed', 'the disk is full'))).toContain('the disk is full');
  expect(copyTrouble(kind('old'))).toContain('over night');
  expect(sealTrouble(kind('old'))).toBeNull();
  expect(sealTrouble(kind('failed', 'job 7: signature'))).toContain('job 7: signature');
  expect(gaugeTrouble([])).toBeNull();
  expect(gaugeTrouble(['Dial', 'Rule'])).toContain('Dial, Rule');
});
