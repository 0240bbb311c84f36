import fc from 'fast-check';
import { operation, OPERATIONS } from './catalogue/operations.ts';
import { dealtWithBy, FINDINGS } from './inspection/findings.ts';
import { FACTS } from './instrument/construction-facts.ts';
import type { Construction } from './instrument/construction.ts';
import { itemsFor } from './inspection/checklist.ts';
import { holds, type Condition } from './instrument/condition.ts';
import { BENCH_ARRIVAL } from './inspection/lists/bench-arrival.ts';
import { SALES_FLOOR } from './inspection/lists/sales-floor.ts';
import { gaugeSpan, tuningName, usualConstruction } from './instrument/defaults.ts';
import { KINDS } from './instrument/kinds.ts';
import { formatMoney } from './money/currency.ts';
import { plainTax } from './money/tax.ts';
import { roundMinor } from './money/minor.ts';
import { total } from './money/money.ts';
import { afterWrongPin, FREE_TRIES, isLocked, type PinTrouble } from './people/lock-out.ts';
import { may, PERMISSIONS, ROLES } from './people/roles.ts';
import { canonicalJson, type Json } from './record/canonical.ts';

describe('the checklist', () => {
  test.each([...KINDS])('asks a %s at least 20 things, strings on first, each once', (kind) => {
    const items = itemsFor(BENCH_ARRIVAL, usualConstruction(kind));
    expect(items.length).toBeGreaterThanOrEqual(20);
    expect(new Set(items.map((i) => i.key)).size).toBe(items.length);
    const firstOff = items.findIndex((i) => i.phase === 'strings-off');
    expect(items.slice(firstOff).every((i) => i.phase === 'strings-off')).toBe(true);
  });

  const asked = (kind: (typeof KINDS)[number], more = {}) =>
    itemsFor(BENCH_ARRIVAL, { ...usualConstruction(kind), ...more }).map((i) => i.key);

  test('an acoustic is not asked about a vibrato, an electric not about a soundhole', () => {
    expect(asked('steel-acoustic')).not.toContain('vibrato-return');
    expect(asked('steel-acoustic')).toContain('braces');
    expect(asked('solid-electric')).not.toContain('braces');
    expect(asked('solid-electric', { vibrato: 'floating' })).toEqual(
      expect.arrayContaining(['vibrato-return', 'vibrato-float']),
    );
    expect(asked('solid-electric', { vibrato: 'fixed' })).not.toContain('vibrato-float');
    expect(asked('nylon')).not.toContain('rod');
    expect(asked('steel-acoustic', { electronics: 'under-saddle' })).toContain('battery');
  });

  test('conditions: is, is not, all, any', () => {
    const c = usualConstruction('bass');
    const bass: Condition = { fact: 'kind', is: ['bass'] };
    const rodless: Condition = { fact: 'rod', is: ['none'] };
    expect(holds({ all: [bass, rodless] }, c)).toBe(false);
    expect(holds({ any: [bass, rodless] }, c)).toBe(true);
    expect(holds({ fact: 'rod', isNot: ['none'] }, c)).toBe(true);
    expect([holds({ all: [] }, c), holds({ any: [] }, c)]).toEqual([true, false]);
  });
});

describe('what findings ask for', () => {
  /** Every way of one fact beside what is usual of each kind: what a fact is for is asked wherever it is. */
  const built = KINDS.flatMap((kind) =>
    (Object.keys(FACTS) as (keyof typeof FACTS)[]).flatMap((fact) =>
      Object.keys(FACTS[fact]).map(
        (value) => ({ ...usualConstruction(kind), [fact]: value }) as Construction,
      ),
    ),
  );

  test('can be done to every instrument that is asked for them', () => {
    const unfit = new Set<string>();
    for (const c of built)
      for (const { key, leadsTo } of [BENCH_ARRIVAL, SALES_FLOOR].flatMap((list) => itemsFor(list, c)))
        for (const named of [null, ...(FINDINGS.get(key) ?? [])]) {
          const by = dealtWithBy(key, named, leadsTo, OPERATIONS, c);
          if (by !== null && !holds(operation(by).fits, c))
            unfit.add(
              `${key}:${named?.id} asks for ${by}: ${c.kind}, ${c.bridge}, ${c.joint}, ${c.electronics}`,
            );
        }
    expect([...unfit]).toEqual([]);
  });
});

describe('construction', () => {
  test('says its set and tuning', () => {
    const { strings } = usualConstruction('steel-acoustic');
    expect(gaugeSpan(strings)).toBe('.012–.053');
    expect(tuningName(strings)).toBe('E A D G B E');
    expect(gaugeSpan([])).toBe('no strings');
  });
});

describe('money', () => {
  test('adds up, with tax rounded once at the end', () => {
    expect(total([{ price: 4500, parts: 1200 }], plainTax(0.2))).toMatchObject({
      labour: 4500,
      parts: 1200,
      discount: 0,
      tax: 1140,
      toPay: 6840,
    });
    expect(
      total(
        [
          { price: 333, parts: 0 },
          { price: 333, parts: 0 },
        ],
        plainTax(0.075),
      ),
    ).toMatchObject({ tax: 50, toPay: 716 });
    expect(total([], plainTax(0.2)).toPay).toBe(0);
  });

  test('half a unit rounds away from zero, on both sides', () => {
    expect([roundMinor(2.5), roundMinor(-2.5), roundMinor(2.4)]).toEqual([3, -3, 2]);
  });

  test('every amount is whole and the parts make the sum', () => {
    const line = fc.record({ price: fc.nat(1e6), parts: fc.nat(1e6) });
    fc.assert(
      fc.property(fc.array(line), fc.double({ min: 0, max: 0.5, noNaN: true }), (lines, rate) => {
        const t = total(lines, plainTax(rate));
        expect(Number.isInteger(t.toPay)).toBe(true);
        expect(t.toPay).toBe(t.labour + t.parts + t.tax);
      }),
    );
  });

  test('is said with two decimals', () => {
    expect([formatMoney(4505, '¤'), formatMoney(-5, '¤')]).toEqual(['¤45.05', '−¤0.05']);
  });
});

describe('canonicalJson', () => {
  const json = fc.jsonValue({ noUnicodeString: false }).map((v) => JSON.parse(JSON.stringify(v)) as Json);

  test('says the same content in one way, whatever the order of its keys', () => {
    expect(canonicalJson({ b: 1, a: [true, null, 'x'] })).toBe('{"a":[true,null,"x"],"b":1}');
    fc.assert(
      fc.property(fc.dictionary(fc.string(), json), (record) => {
        const shuffled = Object.fromEntries(Object.entries(record).reverse());
        expect(canonicalJson(shuffled)).toBe(canonicalJson(record));
        expect(JSON.parse(canonicalJson(record))).toEqual(JSON.parse(JSON.stringify(record)));
      }),
    );
  });

  test('refuses what is not finite', () => {
    expect(() => canonicalJson({ a: [Number.NaN] })).toThrow(RangeError);
  });
});

describe('PINs', () => {
  test('four wrong ones are free, the fifth locks for a minute, each further doubles, up to half an hour', () => {
    let trouble: PinTrouble = { failed: 0, lockedUntil: null };
    const locks = Array.from({ length: 14 }, () => (trouble = afterWrongPin(trouble, 0, 0)).lockedUntil);
    expect(locks.slice(0, FREE_TRIES - 1)).toEqual([null, null, null, null]);
    expect(locks.slice(FREE_TRIES - 1, FREE_TRIES + 3)).toEqual([60_000, 120_000, 240_000, 480_000]);
    expect(locks.at(-1)).toBe(30 * 60_000);
  });

  test('a lock ends at its time', () => {
    expect([
      isLocked({ failed: 5, lockedUntil: 10 }, 9),
      isLocked({ failed: 5, lockedUntil: 10 }, 10),
    ]).toEqual([true, false]);
    expect(isLocked({ failed: 9, lockedUntil: null }, 0)).toBe(false);
  });
});

describe('roles', () => {
  test('the owner may everything; everybody may see; only some may approve or measure', () => {
    expect(PERMISSIONS.every((p) => may('owner', p))).toBe(true);
    expect(ROLES.every((r) => may(r, 'see'))).toBe(true);
    expect(ROLES.filter((r) => may(r, 'measure'))).toEqual(['technician', 'lead', 'owner']);
    expect(ROLES.filter((r) => may(r, 'approve'))).toEqual(['desk', 'lead', 'owner']);
    expect(ROLES.filter((r) => may(r, 'house'))).toEqual(['lead', 'owner']);
  });
});
