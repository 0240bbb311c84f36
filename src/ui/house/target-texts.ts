import type { KindTargets } from '../../core/instrument/kind-record.ts';
import { sayEntry } from '../../core/readings/entry.ts';
import { QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { bandsOf, type TargetKind } from '../../core/targets/bands-of.ts';
import type { ShopTargets } from '../../core/targets/shop-targets.ts';
import { TOUCHES, type Touch } from '../../core/targets/target.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import type { DisplayUnit, LengthUnit } from '../../core/units/length-units.ts';
import { parseCents } from '../../core/units/parse-cents.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { unitOf } from '../../core/targets/say-values.ts';

/** What is aimed at: what it is called, and what is read of it. */
export const TARGET_FIELDS: Readonly<
  Record<keyof KindTargets, { readonly name: string; readonly quantity: Quantity }>
> = {
  relief: { name: 'Relief', quantity: 'relief' },
  actionBass: { name: 'Action 12, bass', quantity: 'action' },
  actionTreble: { name: 'Action 12, treble', quantity: 'action' },
  nutGap: { name: 'Gap over fret 1', quantity: 'nut-gap' },
  intonation: { name: 'Cents at 12', quantity: 'intonation' },
  pickupBass: { name: 'Pickup, bass', quantity: 'pickup-height' },
  pickupTreble: { name: 'Pickup, treble', quantity: 'pickup-height' },
  vibratoFloat: { name: 'Vibrato floats', quantity: 'vibrato-float' },
};

export const ENDS = ['low', 'aim', 'high'] as const;
export type TargetTexts = Readonly<Record<string, string>>;

const NUMBER = /^[−-]?\d+(?:[.,]\d+)?$/;
const toNumber = (text: string): number | null =>
  NUMBER.test(text.trim()) ? Number(text.trim().replace(',', '.').replace('−', '-')) : null;

/** What is aimed at on a kind: a nylon has no pickup to set. */
export const fieldsOf = (bands: KindTargets): (keyof KindTargets)[] =>
  (Object.keys(TARGET_FIELDS) as (keyof KindTargets)[]).filter((f) => bands[f] !== undefined);

/** The unit a bare number of a field is in; null for cents. */
const unitAt = (field: keyof KindTargets, unit: DisplayUnit): LengthUnit | null => {
  const { quantity } = TARGET_FIELDS[field];
  return QUANTITY_FACTS[quantity].measure === 'cents' ? null : unitOf(quantity, unit);
};

/** An end of a band as it stands in its field: in whoever's unit reads it, with it. */
const shown = (value: number, field: keyof KindTargets, unit: DisplayUnit): string => {
  const { quantity } = TARGET_FIELDS[field];
  return sayEntry(value, quantity, unitOf(quantity, unit)).replace(/ c$/, '');
};

function readShown(text: string, field: keyof KindTargets, unit: DisplayUnit): number | string {
  const length = unitAt(field, unit);
  if (length === null) {
    const read = parseCents(text);
    return read.ok ? read.value : read.error.message;
  }
  const read = parseLength(text, bareUnit(text, length));
  return read.ok ? read.value.mm : read.error.message;
}

/**
 * The targets as they stand in their fields, by `kind.field.end`, `touch.…` and `slack`.
 * @param unit what whoever edits them reads heights in
 */
export function targetTexts(
  targets: ShopTargets,
  kinds: readonly TargetKind[],
  unit: DisplayUnit,
): TargetTexts {
  const bands = kinds.flatMap((k) => {
    const of = bandsOf(targets, k);
    return fieldsOf(of).flatMap((field) =>
      ENDS.map((end) => [`${k.id}.${field}.${end}`, shown(of[field]?.[end] ?? 0, field, unit)]),
    );
  });
  const shares = Object.entries(targets.touch).map(([touch, share]) => [`touch.${touch}`, String(share)]);
  return Object.fromEntries([
    ...bands,
    ...shares,
    ['slack', String(targets.slackPerSemitone)],
  ]) as TargetTexts;
}

/** What one end of a band means: a number that is shown just so, else what is typed, else why it is none. */
function readEnd(
  text: string,
  field: keyof KindTargets,
  known: readonly number[],
  unit: DisplayUnit,
): number | string {
  const same = known.find((n) => shown(n, field, unit) === text.trim());
  return same ?? readShown(text, field, unit);
}

/**
 * The targets typed, or what is wrong by field. What was not typed over keeps its number to the last digit, however it is shown:
 * 2.2 mm stays 2.2 mm where it stands as 5½/64.
 * @param from what the texts were taken from: the targets in force first, then versions and a file they may have come from
 */
export function readTargets(
  texts: TargetTexts,
  from: readonly [ShopTargets, ...ShopTargets[]],
  kinds: readonly TargetKind[],
  unit: DisplayUnit,
): { readonly targets: ShopTargets; readonly wrong: Readonly<Record<string, string>> } {
  const [now] = from;
  const wrong: Record<string, string> = {};
  const share = (name: string): number => {
    const n = toNumber(texts[name] ?? '');
    if (n === null) wrong[name] = 'A number';
    return n ?? 0;
  };
  const own = kinds.map((k) => {
    const fields = fieldsOf(bandsOf(now, k)).map((field) => {
      const bands = from.flatMap((t) => bandsOf(t, k)[field] ?? []);
      const [low, aim, high] = ENDS.map((end) => {
        const known = [...bands.map((b) => b[end]), ...ENDS.flatMap((e) => bands[0]?.[e] ?? [])];
        const name = `${k.id}.${field}.${end}`;
        const read = readEnd(texts[name] ?? '', field, known, unit);
        if (typeof read === 'number') return read;
        wrong[name] = read;
        return 0;
      }) as [number, number, number];
      const ends = ENDS.map((end) => `${k.id}.${field}.${end}`);
      if (ends.every((name) => wrong[name] === undefined) && !(low <= aim && aim <= high))
        wrong[`${k.id}.${field}.aim`] = 'low ≤ aim ≤ high';
      return [field, { low, aim, high }] as const;
    });
    return [k.id, Object.fromEntries(fields) as unknown as KindTargets] as const;
  });
  const touch = Object.fromEntries(
    (Object.keys(TOUCHES) as Touch[]).map((t) => [t, share(`touch.${t}`)]),
  ) as ShopTargets['touch'];
  const bands = new Map(own);
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  // A kind of the shop's own keeps a row of its own only where it differs: otherwise it goes by its base's, also later.
  const differing = kinds.filter((k) => k.id === k.base || !same(bands.get(k.id), bands.get(k.base)));
  const inherited = new Set(kinds.filter((k) => !differing.includes(k)).map((k) => k.id));
  const rest = Object.entries(now.kinds).filter(([id]) => !inherited.has(id));
  const targets = {
    kinds: {
      ...Object.fromEntries(rest),
      ...Object.fromEntries(differing.flatMap((k) => (bands.has(k.id) ? [[k.id, bands.get(k.id)]] : []))),
    } as Readonly<Record<string, KindTargets>>,
    touch,
    slackPerSemitone: share('slack'),
  };
  return { targets, wrong };
}
