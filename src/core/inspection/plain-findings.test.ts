import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { PLAIN_SETUP } from './lists/plain-setup.ts';
import { SALES_FLOOR } from './lists/sales-floor.ts';
import { FINDINGS } from './findings.ts';
import { plainFinding } from './plain-findings.ts';

const own = (says: string): boolean => /: not as it should be\.$/.test(says);

test('every item of the lists that ship has a sentence for somebody who plays', () => {
  const items = [BENCH_ARRIVAL, PLAIN_SETUP, SALES_FLOOR].flatMap((l) => l.items);
  expect(items.filter((i) => own(plainFinding(i.key, null, i.title))).map((i) => i.key)).toEqual([]);
});

test('every named finding has one, whole, without the bench’s words and numbers', () => {
  for (const [item, findings] of FINDINGS)
    for (const f of findings) {
      const says = plainFinding(item, f.id, item);
      expect(says).toMatch(/^[A-Z][^:]*\.$/);
      expect(says).not.toMatch(/\d|rocks|setup|shim|crown/i);
    }
});

test('what a shop’s own list asks is said by its title', () => {
  expect(plainFinding('bell', 'own-1', 'Bell of the banjo')).toBe('Bell of the banjo: not as it should be.');
  expect(plainFinding('fret-level', 'rocks', 'Frets level')).toBe(
    'One fret stands higher than its neighbours.',
  );
  expect(plainFinding('fret-level', null, 'Frets level')).toBe('One fret stands higher than its neighbours.');
});
