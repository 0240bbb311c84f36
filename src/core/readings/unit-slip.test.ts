/** Slips of the unit are asked about, correct readings are not: a seeded table of both over every kind. */
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS, type Kind } from '../instrument/kinds.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { MM_PER, type LengthUnit } from '../units/length-units.ts';
import { readEntry } from './entry.ts';
import { askAbout, type Known } from './plausibility.ts';
import { allStations, stationKey, type Station } from './stations.ts';

/** A seeded source of numbers between 0 and 1. */
function seeded(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const normal = (next: () => number): number =>
  Math.sqrt(-2 * Math.log(next() + 1e-12)) * Math.cos(2 * Math.PI * next());

interface Bench {
  readonly kind: Kind;
  readonly stations: readonly Station[];
  readonly aims: ReadonlyMap<string, number>;
  readonly bass: Station;
  readonly treble: Station;
}

function benchOf(kind: Kind): Bench {
  const c = usualConstruction(kind);
  const stations = allStations(c);
  const aims = new Map(
    stations.flatMap((s) => {
      const t = resolveTarget(c, 'medium', [], s);
      return t ? [[s.key, t.aim] as const] : [];
    }),
  );
  const at = (key: string): Station => {
    const found = stations.find((s) => s.key === key);
    if (!found) throw new Error(key);
    return found;
  };
  return {
    kind,
    stations,
    aims,
    bass: at(stationKey('action', c.strings.length, 12)),
    treble: at(stationKey('action', 1, 12)),
  };
}
const BENCHES = KINDS.map(benchOf);

function asks(bench: Bench, station: Station, typed: string, field: LengthUnit): boolean {
  const read = readEntry(typed, station.quantity, field);
  if (!read.ok) throw new Error(`${typed}: ${read.error.message}`);
  const known: Known = {
    construction: usualConstruction(bench.kind),
    round: new Map(),
    before: new Map(),
    aims: bench.aims,
  };
  return askAbout(read.value, station, known, typed) !== null;
}

/** As instruments come in: action about a tenth over its aim, give or take 15 %; relief and gaps as gauges show them. */
function asFound(bench: Bench, station: Station, next: () => number): number {
  const aim = bench.aims.get(station.key) ?? 0;
  switch (station.quantity) {
    case 'action':
      return aim * Math.exp(0.1 + 0.15 * normal(next));
    case 'relief':
      return Math.max(0.02, Math.round((aim + 0.1 * Math.abs(normal(next))) / 0.02) * 0.02);
    default:
      return Math.max(0.02, Math.round((aim * Math.exp(0.1 + 0.5 * normal(next))) / 0.02) * 0.02);
  }
}

const half = (n: number): string => String(Math.round(n * 2) / 2);
const quarter = (n: number): string => String(Math.round(n * 4) / 4);
const mm2 = (n: number): string => n.toFixed(2);
const mm1 = (n: number): string => n.toFixed(1);
const thou = (n: number): string => String(Math.round(n / MM_PER.thou));
const point = (n: number): string => (n / 25.4).toFixed(3).replace(/^0/, '');

type Way = readonly [
  name: string,
  of: readonly Station['quantity'][],
  field: LengthUnit,
  write: (mm: number) => string,
];

const CORRECT: readonly Way[] = [
  ['action, 64ths', ['action'], '64ths', (n) => half(n / MM_PER['64ths'])],
  ['action, /64 written out', ['action'], 'mm', (n) => `${half(n / MM_PER['64ths'])}/64`],
  ['action, mm', ['action'], 'mm', mm1],
  ['action, mm of a caliper', ['action'], 'mm', mm2],
  ['action, .000 in', ['action'], '64ths', point],
  ['relief and gaps, mm', ['relief', 'nut-gap'], 'mm', mm2],
  ['relief and gaps, thou', ['relief', 'nut-gap'], 'thou', thou],
  ['relief and gaps, .000', ['relief', 'nut-gap'], 'thou', point],
];

const SLIPS: readonly Way[] = [
  ['thousandths in a mm field', ['relief', 'nut-gap'], 'mm', point],
  ['mm in a thou field', ['relief', 'nut-gap'], 'thou', mm1],
  ['two places of mm in a thou field', ['relief', 'nut-gap'], 'thou', mm2],
  ['thou counted in a mm field', ['relief', 'nut-gap'], 'mm', thou],
  ['mm in a 64ths field', ['action'], '64ths', mm1],
  ['64ths in a mm field', ['action'], 'mm', (n) => half(n / MM_PER['64ths'])],
  ['inches in a mm field', ['action'], 'mm', point],
  ['32nds for 64ths, first visit', ['action'], '64ths', (n) => quarter(n / MM_PER['32nds'])],
];

function table(ways: readonly Way[], times: number, seed: number) {
  const next = seeded(seed);
  return ways.map(([name, of, field, write]) => {
    let [asked, all] = [0, 0];
    for (const bench of BENCHES) {
      const places = [bench.bass, bench.treble, ...bench.stations].filter(
        (s) => of.includes(s.quantity) && bench.aims.has(s.key) && (s.quantity !== 'action' || s.fret === 12),
      );
      for (let i = 0; i < times; i++) {
        const station = places[Math.floor(next() * places.length)];
        if (!station) continue;
        const text = write(asFound(bench, station, next));
        all++;
        if (asks(bench, station, text, field)) asked++;
      }
    }
    return { name, asked, all };
  });
}

test('at most one correct reading in 500 is asked about', () => {
  const rows = table(CORRECT, 300, 2026);
  const [asked, all] = [rows.reduce((n, r) => n + r.asked, 0), rows.reduce((n, r) => n + r.all, 0)];
  expect(all).toBeGreaterThan(15_000);
  expect({ share: asked / all, rows: asked / all > 1 / 500 ? rows : [] }).toEqual({
    share: expect.any(Number) as unknown,
    rows: [],
  });
});

test('at least 95 of 100 slips are asked about, and each way of slipping mostly', () => {
  const rows = table(SLIPS, 200, 11);
  const [asked, all] = [rows.reduce((n, r) => n + r.asked, 0), rows.reduce((n, r) => n + r.all, 0)];
  expect({ share: asked / all, low: asked / all < 0.95 ? rows : [] }).toEqual({
    share: expect.any(Number) as unknown,
    low: [],
  });
  for (const r of rows) expect([r.name, r.asked / r.all > 0.85]).toEqual([r.name, true]);
});

test.each([
  ['steel-acoustic', 'relief:0:7', '.009', 'mm', '.009 in'],
  ['steel-acoustic', 'relief:0:7', '0.2', 'thou', '0.2 mm'],
  ['nylon', 'action:6:12', '3.9', '64ths', '3.9 mm'],
  ['steel-acoustic', 'action:6:12', '2.75', '64ths', '2.75/32'],
  ['steel-acoustic', 'action:6:12', '3/64', 'mm', '3/32'],
  ['bass', 'nut-gap:4:1', '.005', 'mm', '.005 in'],
] as const)('%s %s: %s in a %s field offers %s', (kind, key, typed, field, offered) => {
  const bench = BENCHES.find((b) => b.kind === kind);
  const station = bench?.stations.find((s) => s.key === key);
  const read = readEntry(typed, station?.quantity ?? 'action', field);
  if (!bench || !station || !read.ok) throw new Error(key);
  const known = {
    construction: usualConstruction(kind),
    round: new Map(),
    before: new Map(),
    aims: bench.aims,
  };
  const asked = askAbout(read.value, station, known, typed);
  expect(asked?.others.map((o) => o.text)).toContain(offered);
});

test('what stood here before is no slip, however unusual', () => {
  const bench = BENCHES[0];
  if (!bench) throw new Error('no kind');
  const read = readEntry('1.3', 'action', 'mm');
  if (!read.ok) throw new Error('unread');
  const known = (before: number) => ({
    construction: usualConstruction(bench.kind),
    round: new Map(),
    before: new Map([[bench.bass.key, before]]),
    aims: bench.aims,
  });
  expect(askAbout(read.value, bench.bass, known(1.35), '1.3')).toBeNull();
});

test('a finer gauge may show what a feeler cannot', () => {
  const bench = BENCHES[0];
  const station = bench?.stations.find((s) => s.quantity === 'relief');
  const read = readEntry('.012', 'relief', 'mm');
  if (!bench || !station || !read.ok) throw new Error('none');
  const base = {
    construction: usualConstruction(bench.kind),
    round: new Map(),
    before: new Map(),
    aims: bench.aims,
  };
  expect(askAbout(read.value, station, base, '0.012')?.code).toBe('other-unit');
  expect(askAbout(read.value, station, { ...base, step: 0.001 }, '0.012')).toBeNull();
});
