import { ASSUMED_FACTS, isAssumed } from './assumable.ts';
import { allAssumed, changedFrom, saidOf } from './assumed.ts';
import { usualConstruction } from './defaults.ts';
import { KINDS } from './kinds.ts';
import { sayConstructionChange, sayBuilt } from './say-facts.ts';

const bass = allAssumed(usualConstruction('bass'));

test.each([...KINDS])('of a %s nobody has looked at, every fact there is stands as usual', (kind) => {
  const c = allAssumed(usualConstruction(kind));
  for (const f of ASSUMED_FACTS) expect(isAssumed(c, f), f).toBe(sayBuilt(c, f) !== '');
  expect(isAssumed(usualConstruction(kind), 'scale')).toBe(false);
});

test('what is said is not taken as usual any more; when all is said nothing of it is left', () => {
  const said = saidOf(bass, ['scale', 'rod']);
  expect(isAssumed(said, 'scale') || isAssumed(said, 'rod')).toBe(false);
  expect(isAssumed(said, 'finish')).toBe(true);
  expect('assumed' in saidOf(bass, ASSUMED_FACTS)).toBe(false);
});

test('who changes something has said that, and nothing else', () => {
  const thinner = bass.strings.map((s) => ({ ...s, gauge: s.gauge * 0.95 }));
  const changed = changedFrom(bass, { ...bass, strings: thinner, rodKey: '5 mm' });
  expect(bass.assumed?.filter((f) => !changed.assumed?.includes(f))).toEqual(['gauges', 'rod']);
  // Typed back from a rounded text it is the same string.
  const rounded = bass.strings.map((s) => ({ ...s, gauge: s.gauge + 1e-9 }));
  expect(changedFrom(bass, { ...bass, strings: rounded }).assumed).toEqual(bass.assumed);
});

test('a change is told fact by fact, and so is what was only looked at', () => {
  expect(sayConstructionChange(bass, { ...bass, scale: 860 })).toBe('scale: 860.0 mm instead of 864.0 mm');
  const looked = saidOf(bass, ['finish', 'nut']);
  expect(sayConstructionChange(bass, looked)).toBe('looked at nut, finish: as taken');
  expect(sayConstructionChange(bass, { ...looked, finish: 'lacquer', leftHanded: true })).toBe(
    'finish: nitrocellulose instead of polyester or polyurethane; left-handed; looked at nut: as taken',
  );
  const { radius: _, ...flat } = bass;
  expect(sayConstructionChange(flat, bass)).toMatch(/^radius: 12 in instead of nothing/);
});
