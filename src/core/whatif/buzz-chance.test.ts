import { input } from '../plan/plan-input-for-tests.ts';
import type { Reading } from '../readings/reading.ts';
import { seeded } from '../seeded.ts';
import { buzzChance, normals, spreadOf } from './buzz-chance.ts';
import { handFor, mapOfNeck } from './clearance-map.ts';
import { consequences } from './consequences.ts';
import { NO_MOVES, type Moves } from './moves.ts';
import { neckModel, type NeckModel } from './neck-model.ts';

function model(): NeckModel {
  const set = { relief: 0.25, 'action:6:12': 1.75, 'action:1:12': 1.45 };
  const made = neckModel({ ...input('solid-electric', set), set: undefined });
  if (made === null) throw new Error('no action');
  return made;
}

const MOVES: Moves = { ...NO_MOVES, relief: -0.05, bass: -0.2, treble: -0.1 };
const SURE = { relief: 0, action: 0, nut: 0, tops: 0, force: 0 };

/** The same necks built one by one from the same numbers, each judged whole by the map. */
function oneByOne(m: NeckModel, spread: typeof SURE, draws: number, seed: number, upTo: number) {
  const normal = normals(seeded(seed));
  const { frets, strings } = m.construction;
  const last = strings.length - 1;
  const hits = strings.map(() => Array<number>(frets).fill(0));
  const hand = handFor(m, 'medium');
  let anywhere = 0;
  for (let d = 0; d < draws; d++) {
    const relief = normal() * spread.relief;
    const bass = normal() * spread.action;
    const treble = normal() * spread.action;
    const force = hand.force * (1 + normal() * spread.force);
    const off = Float64Array.from({ length: frets + 1 }, (_, n) => (n === 0 ? 0 : normal() * spread.tops));
    const nuts = strings.map(() => normal() * spread.nut);
    const drawn: NeckModel = {
      ...m,
      relief: m.relief + relief,
      tops: m.tops.map((t, n) => t + (off[n] ?? 0)),
      nut: m.nut.map((h, i) => h + (nuts[i] ?? 0)),
      // What was read over the 12th was read over that fret's top, wherever it is.
      action: m.action.map((a, i) => a + bass + ((treble - bass) * i) / last - (off[12] ?? 0)),
    };
    const maps = mapOfNeck(drawn, consequences(drawn, MOVES), { ...hand, force });
    let hit = false;
    maps.forEach((map, i) =>
      map.margin.forEach((margin, held) => {
        const row = hits[i];
        if (margin >= 0 || !row) return;
        row[held] = (row[held] ?? 0) + 1;
        hit ||= held < upTo;
      }),
    );
    if (hit) anywhere++;
  }
  return { chance: hits.map((row) => row.map((n) => n / draws)), anywhere: anywhere / draws };
}

describe('the chance of a buzz, draw by draw', () => {
  test.each([
    ['relief', { ...SURE, relief: 0.08 }],
    ['action', { ...SURE, action: 0.15 }],
    ['nut', { ...SURE, nut: 0.08 }],
    ['tops', { ...SURE, tops: 0.06 }],
    ['force', { ...SURE, force: 0.3 }],
    ['all of it', { relief: 0.05, action: 0.1, nut: 0.04, tops: 0.03, force: 0.2 }],
  ])('%s left open: as many as when every neck is built by itself', (_what, spread) => {
    const m = model();
    const slow = oneByOne(m, spread, 40, 11, 15);
    const { chance, anywhere } = buzzChance(m, MOVES, handFor(m, 'medium'), spread, {
      draws: 40,
      seed: 11,
      upTo: 15,
    });
    expect(chance.map((row) => [...row])).toEqual(slow.chance);
    expect(anywhere).toBe(slow.anywhere);
    const all = slow.chance.flat();
    expect(all.some((v) => v > 0 && v < 1)).toBe(true);
  });

  test('only positions that are played count for anywhere', () => {
    const m = model();
    const high = { ...m, tops: m.tops.map((t, n) => (n === m.construction.frets ? 3 : t)) };
    const of = (upTo?: number) =>
      buzzChance(high, NO_MOVES, handFor(high, 'light'), SURE, {
        draws: 3,
        ...(upTo !== undefined && { upTo }),
      });
    expect(of(m.construction.frets).anywhere).toBe(1);
    expect(of(5).anywhere).toBe(1);
    const top = { ...m, tops: m.tops.map((t, n) => (n === m.construction.frets ? 0.35 : t)) };
    const last = mapOfNeck(top, consequences(top, NO_MOVES), handFor(top, 'light')).map((map) =>
      [...map.margin].findIndex((v) => v < 0),
    );
    const first = Math.min(...last.filter((held) => held >= 0));
    const from = (upTo: number) =>
      buzzChance(top, NO_MOVES, handFor(top, 'light'), SURE, { draws: 2, upTo }).anywhere;
    expect(first).toBeGreaterThan(0);
    expect([from(first), from(first + 1)]).toEqual([0, 1]);
  });
});

describe('the numbers', () => {
  test('the even ones are those of the published generator, worked out with whole numbers', () => {
    const M = 1n << 32n;
    const wrap = (v: bigint) => ((v % M) + M) % M;
    const slow = (seed: number) => {
      let a = wrap(BigInt(seed));
      return () => {
        a = wrap(a + 0x6d2b79f5n);
        let t = wrap((a ^ (a >> 15n)) * (a | 1n));
        t = wrap(t ^ wrap(t + wrap((t ^ (t >> 7n)) * (t | 61n))));
        return Number(t ^ (t >> 14n)) / 2 ** 32;
      };
    };
    for (const seed of [0, 1, 7, 20261125, 4294967295]) {
      const [fast, exact] = [seeded(seed), slow(seed)];
      for (let i = 0; i < 50; i++) expect(fast()).toBe(exact());
    }
  });

  test('the normal ones come in pairs, from one turn and one length', () => {
    const even = [0.3, 0.1, 0.8, 0.6];
    let at = 0;
    const next = normals(() => even[at++] ?? NaN);
    for (const [u, v] of [
      [0.3, 0.1],
      [0.8, 0.6],
    ] as const) {
      const r = Math.sqrt(-2 * Math.log(1 - u));
      expect(next()).toBeCloseTo(r * Math.cos(2 * Math.PI * v), 12);
      expect(next()).toBeCloseTo(r * Math.sin(2 * Math.PI * v), 12);
    }
    expect(at).toBe(4);
  });

  test('of several gauges the least sure counts, each quantity by itself', () => {
    const read = (quantity: Reading['quantity'], uncertainty: number | null) => ({ quantity, uncertainty });
    const readings = new Map([
      ['a', read('action', 0.01)],
      ['b', read('action', 0.05)],
      ['c', read('action', null)],
      ['d', read('nut-gap', 0.02)],
      ['e', read('fret-height', 0.03)],
    ]);
    const spread = spreadOf(readings);
    expect(spread).toMatchObject({ action: 0.05, nut: 0.02, tops: 0.03, force: 0.1 });
    expect(spread.relief).toBeGreaterThan(0);
    expect(spread.relief).toBe(spreadOf(new Map()).relief);
  });
});
