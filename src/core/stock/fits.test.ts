import fc from 'fast-check';
import { operation } from '../catalogue/operations.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { fitOf, fitting, sayNeed, type FittingItem, type ItemFacts } from './fits.ts';
import { readGauges, sayGauges, type PacketString } from './gauges.ts';
import { needsOf, setNeed, stringNeed } from './needs.ts';
import { SORTS, SORT_IDS, sayQuantity, sortOf, type SortId } from './sorts.ts';

const gauges = (text: string): readonly PacketString[] => {
  const read = readGauges(text);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};
const item = (sort: SortId, facts: ItemFacts, name: string = SORTS[sort].name): FittingItem => ({
  sort,
  name,
  facts,
});
const set = (text: string) => item('string-set', { strings: gauges(text) });
const STEEL = usualConstruction('steel-acoustic');
const NYLON = usualConstruction('nylon');

describe('gauges', () => {
  test('what is said is read back to the same', () => {
    const kind = fc.constantFrom('plain', 'wound', 'nylon', 'fluorocarbon', 'floss' as const);
    const thou = fc.integer({ min: 60, max: 1500 }).map((n) => n / 10);
    fc.assert(
      fc.property(fc.array(fc.tuple(thou, kind), { minLength: 1, maxLength: 14 }), (all) => {
        const strings = all.map(([t, k]) => ({ gauge: (t * 25.4) / 1000, kind: k }) as PacketString);
        expect(sayGauges(gauges(sayGauges(strings)))).toBe(sayGauges(strings));
      }),
    );
  });

  test.each([
    ['53w 42w 32w 24w 16p 12p', '53w 42w 32w 24w 16p 12p'],
    ['.053, .042, .032, .024, .016, .012', '53w 42w 32w 24w 16p 12p'],
    ['0.010', '10p'],
    ['28N 36n', '28n 36n'],
    ['11.5p', '11.5p'],
  ])('%s is read as %s', (typed, means) => expect(sayGauges(gauges(typed))).toBe(means));

  test.each(['', 'light', '53x', '1.35 mm', '400', Array(15).fill('10').join(' ')])('“%s” is none', (typed) =>
    expect(readGauges(typed).ok).toBe(false),
  );
});

describe('a set of strings', () => {
  const need = setNeed(STEEL);
  test.each([
    ['53w 42w 32w 24w 16p 12p', 'just so', ''],
    ['52w 42w 32w 24w 16p 12p', 'would do', '.052 instead of .053: read again after it'],
    ['56w 45w 35w 26w 17p 13p', null, ''],
    ['47w 39w 30w 23w 14p 10p', null, ''],
    ['53w 42w 32w 24p 16p 12p', null, ''],
    ['53w 42w 32w 24w 16p', null, ''],
    ['44s 36s 30s 40n 32n 28n', null, ''],
  ] as const)('%s on a steel-string: %s', (text, how, why) => {
    expect(fitOf(need, set(text))).toEqual(how && expect.objectContaining({ how, why }));
  });

  test('what is wrapped with another metal only would do, after all that is wrapped alike', () => {
    const wrapped = (text: string, wrap: string) => item('string-set', { strings: gauges(text), wrap }, wrap);
    const own = '53w 42w 32w 24w 16p 12p';
    expect(fitOf(need, wrapped(own, 'phosphor Bronze'))?.how).toBe('just so');
    expect(fitOf(need, wrapped(own, 'nickel'))).toMatchObject({
      how: 'would do',
      why: 'nickel instead of bronze: read again after it',
    });
    const near = wrapped('52w 42w 32w 24w 16p 12p', 'bronze');
    expect(fitting(need, [wrapped(own, 'nickel'), near]).map((f) => f.item.name)).toEqual([
      'bronze',
      'nickel',
    ]);
  });

  test('steel never goes on what is built for nylon, whatever its gauges', () => {
    const strings = NYLON.strings.map(
      (s) => ({ gauge: s.gauge, kind: s.wound ? 'wound' : 'plain' }) as const,
    );
    expect(fitOf(setNeed(NYLON), item('string-set', { strings }))).toBeNull();
    const soft = strings.map((s) => ({ ...s, kind: s.kind === 'wound' ? 'floss' : 'nylon' }) as const);
    expect(fitOf(setNeed(NYLON), item('string-set', { strings: soft }))?.how).toBe('just so');
  });

  test.each(KINDS)('what a %s has is what its own set says', (kind) => {
    const c = usualConstruction(kind);
    const own = setNeed(c);
    const said = sayNeed(own).replace('a set ', '');
    expect(fitOf(own, set(said))?.how).toBe('just so');
    expect(fitOf(own, item('glue', {}))).toBeNull();
  });
});

test('a broken string is replaced by its like, never by a wound one, a set or another metal', () => {
  const need = stringNeed(STEEL, 1);
  if (!need) throw new Error('no first string');
  const single = (text: string) => item('string', { strings: gauges(text) });
  expect(fitOf(need, single('12p'))?.how).toBe('just so');
  expect(fitOf(need, single('13p'))).toMatchObject({ how: 'would do', why: '.013 instead of .012' });
  for (const no of ['14p', '12w', '12n']) expect(fitOf(need, single(no))).toBeNull();
  expect(fitOf(need, set('12p'))).toBeNull();
  expect(stringNeed(STEEL, 7)).toBeNull();
});

describe('blanks, wire and pins', () => {
  const read = (
    quantity: 'slot-width' | 'slot-depth' | 'saddle-standout' | 'saddle-length' | 'fret-height' | 'pin-taper',
    value: number,
  ) => ({ quantity, value });
  const saddle = [
    read('slot-width', 3),
    read('slot-depth', 5),
    read('saddle-standout', 3.5),
    read('saddle-length', 78),
  ];
  const [need] = needsOf(operation('saddle-new'), STEEL, saddle);
  const bone = (thick: number, high: number, long: number) =>
    item('saddle-blank', { material: 'bone', thick, high, long });

  test('a blank is as large as it must be or larger, the least over first', () => {
    if (!need) throw new Error('no need');
    expect(sayNeed(need)).toBe('a saddle blank 3 × 9.5 × 78 mm or larger');
    expect(fitOf(need, bone(3, 10, 80))?.how).toBe('just so');
    expect(fitOf(need, bone(2.9, 10, 80))).toBeNull();
    expect(fitOf(need, bone(3, 9, 80))).toBeNull();
    expect(fitOf(need, { ...bone(3, 10, 80), sort: 'nut-blank' })).toBeNull();
    const all = [bone(6, 12, 100), bone(2, 10, 80), bone(3.2, 10, 80)];
    expect(fitting(need, all).map((f) => f.item.facts['thick'])).toEqual([3.2, 6]);
  });

  test('what was not read is asked for before it is cut', () => {
    const [unread] = needsOf(operation('saddle-new'), STEEL, []);
    expect(unread && fitOf(unread, bone(3, 10, 80))).toMatchObject({
      how: 'would do',
      why: expect.stringContaining('measure before it is cut') as string,
    });
  });

  test('wire is not lower than what is left of the frets', () => {
    const [wire] = needsOf(operation('fret-replace'), STEEL, [
      read('fret-height', 0.9),
      read('fret-height', 1.1),
    ]);
    const coil = (crown: number) => item('fret-wire', { crown, wide: 2.3 });
    if (!wire) throw new Error('no need');
    expect(fitting(wire, [coil(1), coil(1.4), coil(1.1)]).map((f) => f.item.facts['crown'])).toEqual([
      1.1, 1.4,
    ]);
    expect(sayNeed(wire)).toBe('fret wire, its crown not under 1.10 mm');
  });

  test('pins are of the taper of their holes', () => {
    const [pins] = needsOf(operation('pins'), STEEL, [read('pin-taper', 3)]);
    expect(pins && fitOf(pins, item('pins', { taper: 3 }))?.how).toBe('just so');
    expect(pins && fitOf(pins, item('pins', { taper: 5 }))).toBeNull();
  });

  test('what has only a name is found by its words', () => {
    const need2 = { kind: 'named', words: 'board oil' } as const;
    expect(fitOf(need2, item('oil', {}, 'Oil for boards'))?.how).toBe('just so');
    expect(fitOf(need2, item('oil', {}, 'Polish'))).toBeNull();
  });
});

test('every sort says what it is counted in, and none asks for a fact twice', () => {
  for (const id of SORT_IDS) {
    expect(sayQuantity(id, 1)).toMatch(/^1 \w/);
    expect(sayQuantity(id, 2)).not.toBe(sayQuantity(id, 1).replace('1', '2'));
    const labels = Object.values(sortOf(id).facts).map((f) => f.label);
    expect(new Set(labels).size).toBe(labels.length);
  }
});
