import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { USUAL_METHODS } from '../readings/methods.ts';
import { allStations } from '../readings/stations.ts';
import { resolveTarget, slackness, targetLayers } from './resolve.ts';
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
    const now = () => 3;
    const target = resolveTarget(c, 'medium', [little], at('action:6:12'), { now });
    expect(target).toMatchObject({ layer: 'customer', aim: 2.75, low: 2.5, high: 3 });
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
        fc.constantFrom('held-3', 'held-2', 'open'),
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
});
