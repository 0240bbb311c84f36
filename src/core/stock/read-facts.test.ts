import { readFacts, sayFact, sayFacts } from './read-facts.ts';
import { SORT_IDS, sortOf, type FactType } from './sorts.ts';

const SAMPLE: Readonly<Record<FactType, string>> = {
  length: '3.2 mm',
  gauges: '12p',
  number: '320',
  day: '2027-03-31',
  text: 'bone',
};

test.each(SORT_IDS)('what is said of a %s is read back to the same', (sort) => {
  const facts = sortOf(sort).facts;
  const typed = Object.fromEntries(Object.entries(facts).map(([id, f]) => [id, SAMPLE[f.type]]));
  const read = readFacts(sort, typed);
  expect(read.ok).toBe(true);
  if (!read.ok) return;
  const said = Object.fromEntries(
    Object.entries(facts).map(([id, f]) => [id, sayFact(f.type, read.value[id])]),
  );
  expect(said).toEqual(typed);
  const empty = readFacts(sort, {});
  const needed = Object.entries(facts).filter(([, f]) => f.needed);
  expect(empty.ok ? [] : Object.keys(empty.error)).toEqual(needed.map(([id]) => id));
});

test('lengths are read in any unit, and what is none is said at its fact', () => {
  const blank = { material: 'bone', thick: '1/8 in', high: '10', long: '80 mm' };
  const read = readFacts('saddle-blank', blank);
  expect(read.ok && read.value['thick']).toBeCloseTo(3.175, 9);
  expect(read.ok && sayFacts('saddle-blank', read.value)).toBe(
    'bone, thick 3.175 mm, high 10 mm, long 80 mm',
  );
  expect(readFacts('saddle-blank', { ...blank, thick: 'thick' })).toMatchObject({
    ok: false,
    error: { thick: 'A length, like 3 mm or 1/8 in.' },
  });
  expect(readFacts('glue', { until: '2027-02-30' })).toMatchObject({ ok: false });
  expect(readFacts('abrasive', { grit: 'fine' })).toMatchObject({ ok: false });
  expect(readFacts('string', { strings: '12p 16p' })).toMatchObject({ ok: false });
});
