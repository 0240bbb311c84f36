import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { USUAL_METHODS } from '../readings/methods.ts';
import { allStations } from '../readings/stations.ts';
import { KIND_TARGETS } from './defaults.ts';
import { bandFor, resolveTarget, slackness, targetLayers } from './resolve.ts';
import { SHIPPED_TARGETS } from './shop-targets.ts';
import type { TargetWish, Touch } from './target.ts';

const c = usualConstruction('steel-acoustic');
const at = (key: string) => {
  const s = allStations(c).find((x) => x.key === key);
  if (!s) throw new Error(key);
  return s;
};
const wish = (more: Partial<TargetWish>): TargetWish => ({
  quantity: 'action',
  side: 'bass',
  low: 1.7,
  aim: 1.8,
  high: 1.9,
  ...more,
});
const NOTES = ['D2', 'G2', 'C3', 'F3', 'A3', 'D4'];
const lowered = { ...c, strings: c.strings.map((s, i) => ({ ...s, note: NOTES[i] ?? s.note })) };

describe('the layers of a target', () => {
  test('kind, touch, tuning, customer, job: each on top of the one before', () => {
    const layers = targetLayers(
      lowered,
      'light',
      [wish({}), wish({ layer: 'customer', aim: 1.9, high: 2 })],
      at('action:6:12'),
    );
    expect(layers.map((l) => l.layer)).toEqual(['kind', 'touch', 'tuning', 'customer', 'job']);
    expect(layers[2]?.aim).toBeGreaterThan(layers[1]?.aim ?? 9);
    expect(layers.at(-1)?.aim).toBe(1.8);
  });

  test('a wish against what is there has no number until it was read', () => {
    const little = wish({ layer: 'customer', relative: 'little-lower' });
    expect(resolveTarget(c, 'medium', [little], at('action:6:12'))?.layer).toBe('kind');
    const with6 = (stands: number, relative: 'little-lower' | 'little-higher' | 'as-now') =>
      resolveTarget(c, 'medium', [{ ...little, relative }], at('action:6:12'), { now: () => stands });
    // Band 2.0 to 2.5 with its aim at 2.2: half a band beyond it is still a wish, further out is not.
    expect(with6(2.4, 'little-lower')).toMatchObject({ layer: 'customer', aim: 2.15, low: 1.9, high: 2.4 });
    expect(with6(3, 'little-lower')).toMatchObject({ layer: 'customer', low: 2, aim: 2.2, high: 2.5 });
    expect(with6(1.2, 'little-higher')).toMatchObject({ layer: 'customer', low: 2, aim: 2.2, high: 2.5 });
    expect(with6(1.6, 'little-lower')).toMatchObject({ aim: 1.75 });
    expect(with6(2.6, 'as-now')).toMatchObject({ aim: 2.6 });
    expect(with6(3.4, 'as-now')).toMatchObject({ aim: 2.75 });
  });

  test('one string’s wish wins over its side’s', () => {
    const all = [
      wish({ quantity: 'nut-gap', side: 'both', low: 0.1, aim: 0.12, high: 0.14 }),
      wish({ quantity: 'nut-gap', side: 'both', string: 4, low: 0.2, aim: 0.22, high: 0.24 }),
    ];
    expect(resolveTarget(c, 'medium', all, at('nut-gap:4:1'))?.aim).toBe(0.22);
    expect(resolveTarget(c, 'medium', all, at('nut-gap:3:1'))?.aim).toBe(0.12);
  });

  test('a slack tuning raises relief and action by its semitones, a tight one does not lower them', () => {
    expect(slackness(lowered)).toBeCloseTo(2, 9);
    const [kind, tuned] = targetLayers(lowered, 'medium', [], at('relief:0:7'));
    expect(tuned?.aim).toBeCloseTo((kind?.aim ?? 0) + 0.2 * ((kind?.high ?? 0) - (kind?.low ?? 0)), 12);
    const uke = usualConstruction('ukulele');
    const low = { ...uke, strings: uke.strings.map((s) => (s.note === 'G4' ? { ...s, note: 'G3' } : s)) };
    expect(slackness(low)).toBe(0);
    expect(slackness({ ...c, strings: c.strings.slice(1) })).toBe(0);
  });

  test('a band is said as the method in force shows it, its ends in order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.constantFrom<Touch>('light', 'medium', 'heavy'),
        fc.constantFrom('pressed', 'capo-joint'),
        fc.constantFrom('held-3', 'held-2', 'on-3', 'open'),
        (kind, touch, relief, gap) => {
          const own = usualConstruction(kind);
          const methods = { ...USUAL_METHODS, relief, 'nut-gap': gap } as const;
          for (const s of allStations(own)) {
            const t = resolveTarget(own, touch, [], s, { methods });
            if (!t) continue;
            expect(t.low).toBeLessThanOrEqual(t.aim);
            expect(t.aim).toBeLessThanOrEqual(t.high);
            if (s.quantity === 'action' && s.fret > 12) {
              const at12 = resolveTarget(own, touch, [], { ...s, fret: 12 }, { methods });
              expect(t.aim).toBeGreaterThan(at12?.aim ?? 99);
            }
          }
        },
      ),
    );
  });

  test('relief aimed at elsewhere is the share of an even bend that shows there', () => {
    const [third, seventh] = [3, 7].map((f) => resolveTarget(c, 'medium', [], at(`relief:0:${f}`)));
    const bend = (f: number) => (2 ** (-1 / 12) - 2 ** (-f / 12)) * (2 ** (-f / 12) - 2 ** (-c.frets / 12));
    expect((third?.aim ?? 0) / (seventh?.aim ?? 1)).toBeCloseTo(bend(3) / bend(7), 12);
  });

  test('a shop’s own shares are used', () => {
    const shop = { ...SHIPPED_TARGETS, touch: { light: 0, medium: 0, heavy: 2 } };
    expect(resolveTarget(c, 'light', [], at('relief:0:7'), { shop })?.layer).toBe('kind');
    const heavy = resolveTarget(c, 'heavy', [], at('relief:0:7'), { shop });
    expect(heavy?.aim).toBeCloseTo(0.2 + 2 * 0.1, 12);
  });

  test('what a gap held right on 2 or 3, or left open, is aimed at is the same slot', () => {
    const goal = (own: typeof c, gap: 'held-3' | 'held-2' | 'on-3' | 'open') =>
      resolveTarget(own, 'medium', [], at('nut-gap:6:1'), { methods: { ...USUAL_METHODS, 'nut-gap': gap } });
    const nylon = usualConstruction('nylon');
    for (const [own, action] of [
      // The middle of the board, by the kind's own aims.
      [c, (2.2 + 1.7) / 2],
      [nylon, (3.7 + 3.0) / 2],
    ] as const) {
      // The closed forms: a slot h shows h (1 − (1 − s₁)/(1 − s)) less held at a fret s along, and h + (action − h) s₁ / s₁₂ left open.
      const along = (f: number) => 1 - 2 ** (-f / 12);
      // A finger behind fret 3 lays the string on fret 2.
      const slot = (goal(own, 'held-3')?.aim ?? 0) / (1 - along(1) / along(2));
      expect(goal(own, 'on-3')?.aim).toBeCloseTo(slot * (1 - along(1) / along(3)), 9);
      expect(goal(own, 'held-2')?.aim).toBeCloseTo(slot * (1 - along(1) / along(2)), 9);
      const share = along(1) / along(12);
      expect(goal(own, 'open')?.aim).toBeCloseTo(slot * (1 - share) + action * share, 9);
    }
  });

  test('between capo and joint less relief is aimed at than between first and last fret', () => {
    const methods = { ...USUAL_METHODS, relief: 'capo-joint' } as const;
    const [pressed, joint] = [USUAL_METHODS, methods].map(
      (m) => resolveTarget(c, 'medium', [], at('relief:0:7'), { methods: m })?.aim ?? 0,
    );
    const bend = (high: number, f: number) =>
      (2 ** (-1 / 12) - 2 ** (-f / 12)) * (2 ** (-f / 12) - 2 ** (-high / 12));
    const middle = Math.round((1 + c.bodyFret) / 2);
    expect((joint ?? 0) / (pressed ?? 1)).toBeCloseTo(bend(c.bodyFret, middle) / bend(c.frets, 7), 9);
  });

  test('action over another fret is aimed at on the line from nut to the 12th, over the dip', () => {
    // Without relief the line alone: the nut's height, and from there in proportion to the place.
    const last = resolveTarget(c, 'medium', [], { ...at('action:6:12'), fret: c.frets });
    const nut = 0.1 / (1 - (1 - 2 ** (-1 / 12)) / (1 - 2 ** (-2 / 12)));
    const share = (1 - 2 ** (-c.frets / 12)) / 0.5;
    const dip = 0.2 * ((2 ** (-1 / 12) - 0.5) * (0.5 - 2 ** (-c.frets / 12)));
    const seventh = (2 ** (-1 / 12) - 2 ** (-7 / 12)) * (2 ** (-7 / 12) - 2 ** (-c.frets / 12));
    expect(last?.aim).toBeCloseTo(nut + (2.2 - dip / seventh - nut) * share, 6);
  });

  test('a tuning counts where it can be compared: note by note, up to five semitones', () => {
    const with6 = (note: string) =>
      slackness({ ...c, strings: c.strings.map((s, i) => (i === 0 ? { ...s, note } : s)) });
    expect(with6('E2')).toBe(0);
    expect(with6('D2')).toBeCloseTo(2 / 6, 9);
    expect(with6('B1')).toBeCloseTo(5 / 6, 9);
    expect(with6('A#1')).toBe(0);
    expect(with6('not a note')).toBe(0);
    expect(with6('F2')).toBeCloseTo(-1 / 6, 9);
  });

  test('a tuning moves relief and action only, and only in a shop that lets it', () => {
    const layers = (key: string, shop = SHIPPED_TARGETS) =>
      targetLayers(lowered, 'medium', [], at(key), { shop }).map((l) => l.layer);
    expect(layers('nut-gap:6:1')).toEqual(['kind']);
    expect(layers('intonation:6:12')).toEqual(['kind']);
    expect(layers('saddle-standout:0:0')).toEqual([]);
    expect(layers('action:1:12')).toEqual(['kind', 'tuning']);
    expect(layers('action:1:12', { ...SHIPPED_TARGETS, slackPerSemitone: 0 })).toEqual(['kind']);
  });

  test('a wish where nothing is aimed at stands by itself, a tenth to each side of what is there', () => {
    const standout = wish({ quantity: 'saddle-standout', side: 'both', relative: 'as-now' });
    const target = resolveTarget(c, 'medium', [standout], at('saddle-standout:0:0'), { now: () => 3 });
    expect(target).toEqual({ low: 2.9, aim: 3, high: 3.1, layer: 'job' });
  });

  test('a band without a kind’s own is nothing aimed at, whichever touch', () => {
    for (const touch of ['light', 'medium', 'heavy'] as const)
      expect(bandFor(KIND_TARGETS.bass, touch, 'fret-height', 'both')).toBeNull();
    expect(bandFor(KIND_TARGETS.bass, 'medium', 'relief', 'both')).toEqual({
      ...KIND_TARGETS.bass.relief,
      layer: 'kind',
    });
    expect(bandFor(KIND_TARGETS.bass, 'medium', 'action', 'bass')?.aim).toBe(2.2);
    expect(bandFor(KIND_TARGETS.bass, 'medium', 'action', 'treble')?.aim).toBe(1.8);
  });
});
