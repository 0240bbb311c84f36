import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { notRepresentative } from '../readings/conditions.ts';
import type { Reading } from '../readings/reading.ts';
import { stationsOf } from '../readings/stations.ts';
import { itemsFor } from './checklist.ts';
import { CONDITION_FACTS, conditionWords, holds, type Condition } from '../instrument/condition.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { checklistFrom } from './lists/checklist-table.ts';
import { SALES_FLOOR } from './lists/sales-floor.ts';
import { lostWithoutStrings } from './strings-gate.ts';

const leaf: fc.Arbitrary<Condition> = fc
  .tuple(
    fc.constantFrom(...CONDITION_FACTS),
    fc.array(fc.constantFrom('none', 'bass', 'glued', 'pinned', 'raw', 'floating', 'nylon'), {
      minLength: 1,
      maxLength: 3,
    }),
    fc.boolean(),
  )
  .map(([fact, values, is]) => (is ? { fact, is: values } : { fact, isNot: values }));

const { tree } = fc.letrec<{ tree: Condition }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 3 },
    leaf,
    fc.record({ all: fc.array(tie('tree'), { maxLength: 3 }) }),
    fc.record({ any: fc.array(tie('tree'), { maxLength: 3 }) }),
  ),
}));

/** The opposite of a condition, by De Morgan. */
function opposite(c: Condition): Condition {
  if ('all' in c) return { any: c.all.map(opposite) };
  if ('any' in c) return { all: c.any.map(opposite) };
  return 'is' in c ? { fact: c.fact, isNot: c.is } : { fact: c.fact, is: c.isNot };
}

const construction = fc.constantFrom(...KINDS).map(usualConstruction);

describe('conditions', () => {
  test('a condition and its opposite never agree', () => {
    fc.assert(
      fc.property(tree, construction, (c, of) => {
        expect(holds(opposite(c), of)).toBe(!holds(c, of));
      }),
    );
  });

  test('all of two holds when both do, any when one does', () => {
    fc.assert(
      fc.property(tree, tree, construction, (a, b, of) => {
        expect(holds({ all: [a, b] }, of)).toBe(holds(a, of) && holds(b, of));
        expect(holds({ any: [a, b] }, of)).toBe(holds(a, of) || holds(b, of));
      }),
    );
  });

  test('every condition can be said', () => {
    fc.assert(
      fc.property(tree, (c) => {
        expect(conditionWords(c)).toMatch(/\w/);
      }),
    );
  });

  test.each<[Condition, string]>([
    [{ all: [] }, 'always'],
    [{ any: [] }, 'never'],
    [{ fact: 'vibrato', isNot: ['none'] }, 'vibrato is not none'],
    [{ fact: 'kind', is: ['bass', 'nylon'] }, 'kind is bass or nylon'],
    [{ all: [{ fact: 'rod', is: ['none'] }] }, 'truss rod is none'],
    [
      {
        all: [
          { fact: 'rod', is: ['none'] },
          {
            any: [
              { fact: 'kind', is: ['bass'] },
              { fact: 'bridge', isNot: ['pinned'] },
            ],
          },
        ],
      },
      '(truss rod is none and (kind is bass or bridge is not pinned))',
    ],
  ])('%j is said “%s”', (condition, said) => {
    expect(conditionWords(condition)).toBe(said);
  });

  test('values are said by the shop’s names', () => {
    expect(conditionWords({ fact: 'kind', is: ['bass'] }, (f, v) => `${f}:${v}`)).toBe('kind is kind:bass');
  });
});

describe.each([
  ['bench arrival', BENCH_ARRIVAL, 70, 20],
  ['new stock', SALES_FLOOR, 45, 25],
] as const)('the shipped list for %s', (_, list, most, least) => {
  test(`has at least ${most} items, each once, each with something to do`, () => {
    expect(list.items.length).toBeGreaterThanOrEqual(most);
    expect(new Set(list.items.map((i) => i.key)).size).toBe(list.items.length);
    for (const i of list.items) {
      expect(i.key).toMatch(/^[a-z0-9-]{1,40}$/);
      expect(i.help.length).toBeGreaterThan(10);
      expect(i.group).not.toBe('');
    }
  });

  test.each([...KINDS])('asks a %s enough, strings on first', (kind) => {
    const items = itemsFor(list, usualConstruction(kind));
    expect(items.length).toBeGreaterThanOrEqual(least);
    const phases = items.map((i) => i.phase);
    expect(phases.lastIndexOf('strings-on')).toBeLessThan(
      phases.includes('strings-off') ? phases.indexOf('strings-off') : Infinity,
    );
  });
});

describe('each instrument meets its own items', () => {
  const asked = (kind: (typeof KINDS)[number], more = {}) =>
    new Set(itemsFor(BENCH_ARRIVAL, { ...usualConstruction(kind), ...more }).map((i) => i.key));

  test.each([
    ['nylon', {}, ['ties', 'top', 'braces', 'saddle-left'], ['rod', 'pins', 'bends', 'socket', 'octaves']],
    [
      'solid-electric',
      { vibrato: 'floating', leftHanded: true },
      ['vibrato-return', 'vibrato-float', 'saddle-screws', 'pocket', 'pickup-height'],
      ['ties', 'braces', 'bridge-lift', 'heel'],
    ],
    ['bass', {}, ['rod', 'pocket', 'socket', 'buttons'], ['vibrato-arm', 'pins', 'cracks', 'thumbwheels']],
    ['ukulele', {}, ['ties', 'top', 'tuners'], ['rod', 'bends', 'buttons', 'switch']],
    ['twelve-string', {}, ['octaves', 'pins', 'rod'], ['ties', 'switch']],
    ['archtop', {}, ['bridge-place', 'tailpiece', 'cracks'], ['pins', 'top', 'saddle-screws']],
    ['steel-acoustic', { electronics: 'under-saddle' }, ['balance', 'battery'], ['switch', 'pickup-height']],
  ] as const)('a %s with %j', (kind, more, yes, no) => {
    const keys = asked(kind, more);
    expect(yes.filter((k) => !keys.has(k))).toEqual([]);
    expect(no.filter((k) => keys.has(k))).toEqual([]);
  });
});

describe('a list as it is written', () => {
  const made = (table: string) => checklistFrom({ id: 'x', name: 'X', version: 1, ends: [], table });

  test('groups, phases and columns', () => {
    const { items } = made(
      '# Frets, strings-off\nwear | Wear | look | rod | relief | rod | none | careful\n',
    );
    expect(items).toEqual([
      {
        key: 'wear',
        group: 'Frets',
        phase: 'strings-off',
        title: 'Wear',
        help: 'look',
        when: { fact: 'rod', isNot: ['none'] },
        reading: 'relief',
        leadsTo: 'rod',
        fine: 'none',
        caution: 'careful',
      },
    ]);
  });

  test.each([
    ['no help', 'wear | Wear'],
    ['an unknown condition', 'wear | Wear | look | sometimes'],
    ['an unknown reading', 'wear | Wear | look | | weight'],
    ['an unknown operation', 'wear | Wear | look | | | sing'],
  ])('a line with %s is refused', (_, line) => {
    expect(() => made(line)).toThrow(RangeError);
  });
});

describe('lostWithoutStrings', () => {
  const neck = usualConstruction('steel-acoustic');
  const stations = stationsOf(neck);
  const items = itemsFor(BENCH_ARRIVAL, neck);
  const reading = (key: string, more: Partial<Reading> = {}): Reading => ({
    key,
    quantity: 'action',
    string: 6,
    fret: 12,
    value: 2,
    round: 'as-found',
    takenAt: 1,
    notRepresentative: null,
    ...more,
  });
  const gate = (
    strings: Parameters<typeof lostWithoutStrings>[0],
    readings: readonly Reading[] = [],
    answered: readonly string[] = [],
  ) => lostWithoutStrings(strings, stations, readings, items, new Set(answered));

  test('with nothing read, all that needs strings is named', () => {
    const lost = gate('at-pitch');
    expect(lost.readings.map((s) => s.key)).toEqual(stations.filter((s) => !s.optional).map((s) => s.key));
    expect(lost.items).toEqual(items.filter((i) => i.phase === 'strings-on'));
  });

  test('what is read and answered is not', () => {
    const lost = gate('at-pitch', [reading('action:6:12')], ['case', 'tune']);
    expect(lost.readings.map((s) => s.key)).not.toContain('action:6:12');
    expect(lost.items.map((i) => i.key)).not.toContain('tune');
    const all = gate(
      'at-pitch',
      stations.map((s) => reading(s.key)),
      items.map((i) => i.key),
    );
    expect(all).toEqual({ readings: [], items: [] });
  });

  test('a reading that is not representative does not count as read', () => {
    const lost = gate('off-pitch', [reading('action:6:12', { notRepresentative: 'taken away from pitch' })]);
    expect(lost.readings.map((s) => s.key)).toContain('action:6:12');
  });

  test('with a string missing no reading is lost, with the strings off nothing is', () => {
    expect(gate('missing').readings).toEqual([]);
    expect(gate('missing').items.length).toBeGreaterThan(0);
    expect(gate('off')).toEqual({ readings: [], items: [] });
  });
});

describe('notRepresentative', () => {
  test.each([
    ['at-pitch', 'action', null],
    ['missing', 'action', 'taken with a string missing'],
    ['off-pitch', 'relief', 'taken away from pitch'],
    ['off', 'nut-gap', 'taken with the strings off'],
    ['off', 'saddle-standout', null],
  ] as const)('%s, %s: %s', (strings, quantity, said) => {
    expect(notRepresentative({ strings }, quantity)).toBe(said);
  });
});
