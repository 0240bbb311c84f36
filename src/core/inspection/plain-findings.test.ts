import { FINDINGS } from './findings.ts';
import { PLAIN_KEYS, plainFinding } from './plain-findings.ts';

test('every named finding has a sentence, whole, without the bench’s words and numbers', () => {
  for (const [item, findings] of FINDINGS)
    for (const f of findings) {
      const says = plainFinding(item, f.id, item);
      expect(says).toMatch(/^[A-Z][^:]*\.$/);
      expect(says).not.toMatch(/\d|rocks|setup|shim|crown/i);
    }
});

test('no sentence is for what nothing finds', () => {
  const known = new Set([...FINDINGS].flatMap(([item, all]) => [item, ...all.map((f) => `${item}:${f.id}`)]));
  expect(PLAIN_KEYS.filter((k) => !known.has(k))).toEqual([]);
});

test('where there is one thing it can be, nobody need choose it by name', () => {
  expect(plainFinding('grip', null, 'Strings slide in the nut')).toBe('A string sticks in the nut.');
  expect(plainFinding('fret-seat', null, 'Frets seated')).toBe('A fret has come up at its end.');
  for (const [item, all] of FINDINGS)
    if (all.length === 1)
      expect(plainFinding(item, null, item)).toBe(plainFinding(item, all[0]?.id ?? '', item));
});

test('what nobody chose by name, and what a shop’s own list asks, is said by its title alone', () => {
  expect(plainFinding('fret-level', null, 'Frets level')).toBe('Frets level: not as it should be.');
  expect(plainFinding('bell', 'own-1', 'Bell of the banjo')).toBe('Bell of the banjo: not as it should be.');
});
