import {
  clockTrouble,
  copyTrouble,
  diskTrouble,
  gaugeTrouble,
  nodesTrouble,
  sealTrouble,
} from './troubles.ts';

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

const node = (address: string, serves: boolean | null, knows = 3) => ({
  address,
  state: serves === null ? null : { serves, knows },
});

test('the nodes of a cluster: which one is missing, which lost the others, which belongs to another', () => {
  const [a, b] = [node('a:1', true), node('b:1', true)];
  expect(nodesTrouble([a, b, node('c:1', true)])).toBeNull();
  expect(nodesTrouble([node('a:1', true, 2), node('b:1', true, 2), node('c:1', null)])).toMatch(
    /^does not answer: c:1\. Start/,
  );
  expect(nodesTrouble([a, b, node('c:1', false, 1)])).toMatch(/^lost the others and serves nothing: c:1\./);
  expect(nodesTrouble([a, b, node('c:1', true, 1)])).toContain('knows fewer nodes than there are: c:1');
  expect(nodesTrouble([node('a:1', false, 1), node('b:1', null)])).toContain('no node serves');
});
