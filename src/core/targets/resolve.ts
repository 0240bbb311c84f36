import type { Construction } from '../instrument/construction.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import type { Band } from '../neck/truss-rod.ts';
import { reliefShare } from '../neck/relief.ts';
import { LIES_ON, nutSlot } from '../nut/nut-slot.ts';
import { actionAt, gapBy, reliefBy, USUAL_METHODS, type Methods } from '../readings/methods.ts';
import type { Quantity } from '../readings/quantities.ts';
import { ACTION_FRET, RELIEF_FRET, type Station } from '../readings/stations.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { pulls } from '../strings/string-pull.ts';
import type { KindTargets } from '../instrument/kind-record.ts';
import { bandsOf } from './bands-of.ts';
import { KIND_TARGETS } from './defaults.ts';
import { SHIPPED_TARGETS, type ShopTargets } from './shop-targets.ts';
import { RELATIVE_WISHES, type Side, type Target, type TargetWish, type Touch } from './target.ts';

/** What resolves a target, besides the instrument, the touch and the wishes. */
export interface Resolving {
  /** the shop's own kind the instrument is of, where it is of one */
  readonly kind?: string | undefined;
  readonly shop?: ShopTargets | undefined;
  /** what stands at a place now, for a wish like “a little lower than now” */
  readonly now?: ((station: Station) => number | undefined) | undefined;
  readonly methods?: Methods | undefined;
}

/** The usual action at the 12th of a kind, in the middle of the board, mm. */
function usualAction({ kind }: Pick<Construction, 'kind'>): number {
  const { actionBass, actionTreble } = KIND_TARGETS[kind];
  return (actionBass.aim + actionTreble.aim) / 2;
}

const shift = (b: Band, by: number): Band => ({
  low: Math.max(0, b.low + by),
  aim: Math.max(0, b.aim + by),
  high: b.high + by,
});

export const sideOf = (construction: Construction, string: number): Side =>
  string > construction.strings.length / 2 ? 'bass' : 'treble';

function kindBand(targets: KindTargets, quantity: Quantity, side: Side): Band | null {
  switch (quantity) {
    case 'relief':
      return targets.relief;
    case 'action':
      return side === 'bass' ? targets.actionBass : targets.actionTreble;
    case 'nut-gap':
      return targets.nutGap;
    case 'intonation':
      return targets.intonation;
    case 'pickup-height':
      return (side === 'bass' ? targets.pickupBass : targets.pickupTreble) ?? null;
    case 'vibrato-float':
      return targets.vibratoFloat ?? null;
    default:
      return null;
  }
}

/** Across a pickup string 3 stands for the bass side and 1 for the treble, however many strings there are. */
const sideOfStation = (c: Construction, { quantity, string }: Station): Side =>
  quantity === 'pickup-height' ? (string === 3 ? 'bass' : 'treble') : sideOf(c, string);

/** The board a pickup's shipped band is for, and how far its strings spread at the bridge, mm. */
const USUAL_RADIUS = 304.8;
const SPREAD = 52;
const ARC_SHARE = 0.25;

/**
 * Over a rounder board the middle strings stand further from the magnets, so that the outer ones come nearer: the band of a pickup
 * under them moves by a share of the arc's height over that of the usual board.
 */
function underArc(c: Construction, quantity: Quantity, base: Band | null): Band | null {
  const { radius: board } = c;
  if (base === null || quantity !== 'pickup-height' || board === undefined || board.kind === 'flat')
    return base;
  const radius = board.kind === 'single' ? board.at : board.end;
  const arc = (r: number): number => SPREAD ** 2 / (8 * r);
  return shift(base, -ARC_SHARE * (arc(radius) - arc(USUAL_RADIUS)));
}

const movesWithTouch = (quantity: Quantity): boolean => quantity === 'relief' || quantity === 'action';

/**
 * The band a kind and a touch give, before any wish: touch moves relief and action only. Null where nothing is aimed at.
 * @example bandFor(KIND_TARGETS.bass, 'medium', 'relief', 'both').aim → 0.32
 */
export function bandFor(
  targets: KindTargets,
  touch: Touch,
  quantity: Quantity,
  side: Side,
  shares: ShopTargets['touch'] = SHIPPED_TARGETS.touch,
): Target | null {
  const base = kindBand(targets, quantity, side);
  if (base === null) return null;
  if (!movesWithTouch(quantity) || shares[touch] === 0) return { ...base, layer: 'kind' };
  return { ...shift(base, shares[touch] * (base.high - base.low)), layer: 'touch' };
}

/** A string that stands further away than this is another string, not a slack one (a ukulele's low G). */
const OTHER_STRING = 5;

const semitonesBelow = (note: string, usual: string): number | null => {
  const [now, then] = [noteFrequency(note), noteFrequency(usual)];
  return now.ok && then.ok ? 12 * Math.log2(then.value / now.value) : null;
};

/** Pull follows the square of the pitch: so many semitones for each doubling of it. */
const SEMITONES_A_DOUBLING = 6;
/** Less than this is no other tuning: sets differ by as much. */
const LEAST_SLACK = 0.1;

/** What was found of an instrument that was looked at before: each place of it asks. */
const SLACK = new WeakMap<Construction, number>();

/**
 * How slack the strings are beside the kind's usual set and tuning, in semitones of the usual set that would make as much of
 * the pull; negative where they pull more. A heavier set tuned down is not slack. 0 where they cannot be compared.
 * @example the usual set a whole tone down → 2; a set tuned a tone up → −2
 */
export function slackness(construction: Construction): number {
  const known = SLACK.get(construction) ?? slackOf(construction);
  SLACK.set(construction, known);
  return known;
}

function slackOf(construction: Construction): number {
  const usual = usualConstruction(construction.kind);
  if (usual.strings.length !== construction.strings.length) return 0;
  const [now, then] = [pulls(construction), pulls(usual)];
  const drops = construction.strings.flatMap((s, i) => {
    const below = semitonesBelow(s.note, usual.strings[i]?.note ?? '');
    if (below === null || Math.abs(below) > OTHER_STRING + 1e-9) return [0];
    return [SEMITONES_A_DOUBLING * Math.log2((then[i] ?? 1) / (now[i] ?? 1))];
  });
  const mean = drops.reduce((a, b) => a + b, 0) / drops.length;
  return Math.abs(mean) < LEAST_SLACK ? 0 : mean;
}

const fits = (w: TargetWish, station: Station, side: Side): boolean =>
  w.quantity === station.quantity &&
  (w.string ? w.string === station.string : w.side === 'both' || station.string === 0 || w.side === side);

/** A wish in numbers; null for one against a place that was not read yet. */
function wishBand(wish: TargetWish, under: Target | null, now: number | undefined): Band | null {
  if (wish.relative === undefined) return { low: wish.low, aim: wish.aim, high: wish.high };
  if (now === undefined) return null;
  const { by } = RELATIVE_WISHES[wish.relative];
  const half = under === null ? 0.1 : (under.high - under.low) / 2;
  const wanted = now + by;
  // What stands far out of the trade's band is brought to it, and no band is made of where it stands.
  if (under !== null && ((by < 0 && wanted > under.high) || (by > 0 && wanted < under.low)))
    return { low: under.low, aim: under.aim, high: under.high };
  const aim = under === null ? wanted : Math.min(under.high + half, Math.max(under.low - half, wanted));
  return { low: Math.max(0, aim - half), aim: Math.max(0, aim), high: aim + half };
}

/**
 * Every layer that says something about a station, from the kind up; the last is in force. Bands are for the shop's
 * reference: relief between first and last fret, action at the 12th, gaps held at 3.
 */
export function targetLayers(
  construction: Construction,
  touch: Touch,
  wishes: readonly TargetWish[],
  station: Station,
  { shop = SHIPPED_TARGETS, now, kind: own }: Resolving = {},
): readonly Target[] {
  const side = sideOfStation(construction, station);
  const kind = bandsOf(shop, { id: own ?? construction.kind, base: construction.kind });
  const layers: Target[] = [];
  const base = underArc(construction, station.quantity, kindBand(kind, station.quantity, side));
  if (base !== null) layers.push({ ...base, layer: 'kind' });
  const touched = bandFor(kind, touch, station.quantity, side, shop.touch);
  if (touched?.layer === 'touch') layers.push(touched);
  const last = layers.at(-1);
  if (last && base && movesWithTouch(station.quantity) && shop.slackPerSemitone !== 0) {
    const slack = slackness(construction);
    const by = shop.slackPerSemitone * slack * (base.high - base.low);
    if (slack !== 0) layers.push({ ...shift(last, by), layer: 'tuning' });
  }
  for (const layer of ['customer', 'job'] as const) {
    const own = wishes.filter((w) => (w.layer ?? 'job') === layer && fits(w, station, side));
    const wish = own.find((w) => w.string) ?? own[0];
    const band = wish ? wishBand(wish, layers.at(-1) ?? null, now?.(station)) : null;
    if (band) layers.push({ ...band, layer });
  }
  return layers;
}

const AIM_RELIEF = 0.2;
const AIM_GAP = 0.1;

/** A band of the reference method as the method in force shows it. Edges stay in order. */
function asRead(c: Construction, station: Station, target: Target, methods: Methods): Target {
  const by = (f: (v: number) => number): Target => {
    const [low, aim, high] = [f(target.low), f(target.aim), f(target.high)] as [number, number, number];
    return { ...target, low, aim, high };
  };
  if (station.quantity === 'relief' && station.fret !== RELIEF_FRET) {
    // Elsewhere on an even bend the gap is a share of what the 7th shows.
    const seen = (at: number) => reliefShare(c.scale, { low: 1, high: c.frets, at });
    return by((v) => (v * seen(station.fret)) / seen(RELIEF_FRET));
  }
  if (station.quantity === 'relief') return by((v) => reliefBy(c, v, methods.relief));
  if (station.quantity === 'action' && station.fret !== ACTION_FRET) {
    const nut = AIM_GAP * nutSlot(LIES_ON, 0, 0).perGap;
    return by((v) => actionAt(c, v, station.fret, { nut, relief: AIM_RELIEF }));
  }
  if (station.quantity === 'nut-gap') {
    return by((v) => gapBy(c, v, methods['nut-gap'], usualAction(c)));
  }
  return target;
}

/**
 * The target of a station, resolved through its layers: kind, touch and tuning (relief and action only), the customer's
 * wish, this job's. The result says which layer it came from. Null where nothing is aimed at.
 */
export function resolveTarget(
  construction: Construction,
  touch: Touch,
  wishes: readonly TargetWish[],
  station: Station,
  resolving: Resolving = {},
): Target | null {
  const target = targetLayers(construction, touch, wishes, station, resolving).at(-1) ?? null;
  return target && asRead(construction, station, target, resolving.methods ?? USUAL_METHODS);
}
