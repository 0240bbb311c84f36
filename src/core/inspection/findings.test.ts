/** Every item of the lists that ship says what “needs work” on it may be, and none leads nowhere without a word. */
import { OPERATION_IDS } from '../catalogue/operation-ids.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { FINDINGS, findingOn } from './findings.ts';

test('every item of the bench list has findings, and every finding is of an item', () => {
  const items = BENCH_ARRIVAL.items.map((i) => i.key).sort();
  expect([...FINDINGS.keys()].sort()).toEqual(items);
});

test.each([...FINDINGS])('%s: each finding leads to an operation, a question, or says why not', (_, all) => {
  expect(all.length).toBeGreaterThan(0);
  expect(new Set(all.map((f) => f.id)).size).toBe(all.length);
  for (const f of all) {
    expect(f.id).toMatch(/^[a-z-]+$/);
    expect(f.name.length).toBeGreaterThan(2);
    if (f.leadsTo === null) expect(f.asks ?? f.why ?? '').not.toBe('');
    else expect(OPERATION_IDS).toContain(f.leadsTo);
  }
});

test.each([
  ['rod', 'stuck'],
  ['rod', 'at-its-end'],
  ['rod', 'loose'],
  ['rod', 'unreachable'],
  ['sight', 'dip'],
  ['sight', 'hump'],
  ['sight', 'back'],
  ['far-end', 'rise'],
  ['tarnish', 'dull'],
  ['fret-seat', 'lifts'],
  ['fret-level', 'rocks'],
  ['top', 'bulged'],
  ['top', 'sunken'],
  ['plate', 'worn'],
  ['pins', 'proud'],
  ['pins', 'loose'],
  ['bridge-lift', 'lifting'],
  ['noise', 'hum'],
  ['noise', 'dead'],
])('%s: %s is known', (item, id) => {
  expect(findingOn(item, id)?.id).toBe(id);
});

test('without a code an item’s first finding is meant; an unknown one is none', () => {
  expect(findingOn('tarnish')?.leadsTo).toBe('fret-polish');
  expect(findingOn('fret-level')?.leadsTo).toBe('fret-spot');
  expect(findingOn('tarnish', 'nonsense')).toBeNull();
  expect(findingOn('nonsense')).toBeNull();
});
