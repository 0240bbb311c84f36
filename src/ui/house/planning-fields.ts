import { CAUSE_IDS, CAUSES } from '../../core/hunt/causes.ts';
import { minorPerUnit, signOf, type MoneyForm } from '../../core/money/currency.ts';
import type { PlanRules } from '../../core/plan/plan-rules.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import { fromMm, type DisplayUnit } from '../../core/units/length-units.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { amountUnit } from '../../core/targets/say-values.ts';

/**
 * How a number of the rules is shown: as it is, in hundredths of it (a share in per cent), money in whole units, or a size that a
 * feeler reads, in whoever's unit reads it.
 */
type Scale = 'mm' | 'size' | 'degrees' | 'per cent' | 'money' | 'times' | 'parts';

/** One number a shop plans by: where it stands in the rules, what it is called, how it is written. */
export interface PlanningField {
  readonly path: string;
  readonly label: string;
  readonly scale: Scale;
  /** it may be left empty: then it goes by the kind */
  readonly empty?: boolean;
}

/** The numbers by what they decide. */
export const PLANNING_GROUPS: readonly {
  readonly title: string;
  readonly says: string;
  readonly fields: readonly PlanningField[];
}[] = [
  {
    title: 'What is weighed against money',
    says: 'A plan is chosen by its price and these: what it costs the customer and the instrument otherwise.',
    fields: [
      { path: 'weights.day', label: 'A day of waiting', scale: 'money' },
      { path: 'weights.removed', label: 'All that a part has to give, taken off', scale: 'money' },
      { path: 'weights.irreversible', label: 'A step that cannot be undone', scale: 'money' },
      { path: 'weights.close', label: 'A place that may only just clear', scale: 'money' },
    ],
  },
  {
    title: 'What a worth decides',
    says: 'Shares of what the instrument is worth in good order, where that is known.',
    fields: [
      { path: 'worth.share', label: 'One operation costs at most', scale: 'per cent' },
      { path: 'worth.total', label: 'A whole plan costs at most', scale: 'per cent' },
      { path: 'worth.thinUpTo', label: 'A bridge is thinned up to a worth of', scale: 'money' },
    ],
  },
  {
    title: 'Cuts and turns',
    says: 'What is cut first, and what a rod does that has not answered yet.',
    fields: [
      { path: 'firstCutShare', label: 'First cut, of the whole', scale: 'per cent' },
      { path: 'rodPrior.perEighth', label: 'Relief for an eighth of a turn', scale: 'size' },
      { path: 'rodPrior.sd', label: 'Its spread', scale: 'size' },
      {
        path: 'rodActionRatio',
        label: 'Action for relief (empty: by kind)',
        scale: 'times',
        empty: true,
      },
      { path: 'limits.rod', label: 'The rod does at most', scale: 'size' },
      { path: 'limits.clamp.low', label: 'A neck is clamped or warmed from', scale: 'size' },
      { path: 'limits.clamp.high', label: 'Clamp or warmth does at most', scale: 'size' },
    ],
  },
  {
    title: 'Saddle, bridge and neck',
    says: 'What must stand, and how far a way goes.',
    fields: [
      { path: 'limits.standout.low', label: 'A saddle stands out at least', scale: 'mm' },
      { path: 'limits.standout.good', label: 'It stands well at', scale: 'mm' },
      { path: 'limits.standout.high', label: 'It stands out at most', scale: 'mm' },
      { path: 'limits.saddleShim', label: 'Under a saddle at most', scale: 'mm' },
      { path: 'limits.breakAngle', label: 'Break angle at least', scale: 'degrees' },
      { path: 'limits.slotFloor', label: 'Wood under a slot at least', scale: 'mm' },
      { path: 'limits.tilt', label: 'A shim lifts at the saddle at most', scale: 'mm' },
      { path: 'limits.saddleWay', label: 'Way a new angle leaves a saddle’s screws', scale: 'mm' },
      { path: 'limits.nutCompensation', label: 'A nut comes forward at most', scale: 'mm' },
    ],
  },
  {
    title: 'Frets and the neck’s shape',
    says: 'From when something is a fault, and what must be left.',
    fields: [
      { path: 'limits.fretHeight', label: 'A fret keeps at least', scale: 'mm' },
      { path: 'limits.newFretHeight', label: 'New wire stands', scale: 'mm' },
      { path: 'limits.highFret', label: 'A fret is high from', scale: 'size' },
      { path: 'limits.planned', label: 'Room a plan leaves under a string', scale: 'size' },
      { path: 'shape.rise', label: 'The far end rises from', scale: 'size' },
      { path: 'shape.hump', label: 'A hump counts from', scale: 'size' },
      { path: 'shape.twist', label: 'A twist counts from', scale: 'size' },
    ],
  },
  {
    title: 'Where noises come from here',
    says: 'How often each is met in this shop, against the others: the hunt for a noise begins with these.',
    fields: CAUSE_IDS.map((id) => ({
      path: `noises.${id}`,
      label: `${CAUSES[id].name.slice(0, 1).toUpperCase()}${CAUSES[id].name.slice(1)}`,
      scale: 'parts' as const,
    })),
  },
];

const ALL = PLANNING_GROUPS.flatMap((g) => g.fields);

type Tree = Readonly<Record<string, unknown>>;
const at = (tree: Tree, path: string): unknown =>
  path.split('.').reduce<unknown>((node, key) => (node as Tree | undefined)?.[key], tree);

/** Whoever edits them: the shop's money, and the unit they read heights in. */
export interface PlanningReader {
  readonly currency: MoneyForm;
  readonly unit: DisplayUnit;
}

const PER_CENT = 100;

/** A number of the rules as it stands in its field. */
function shown(value: number, scale: Scale, { currency, unit }: PlanningReader): string {
  const number = (n: number, places = 4): string => String(Number(n.toFixed(places)));
  switch (scale) {
    case 'per cent':
      return number(value * PER_CENT);
    case 'money':
      return number(value / minorPerUnit(currency));
    case 'size':
      return unit === 'mm' ? `${number(value)} mm` : `${number(fromMm(value, 'thou'), 1)} thou`;
    default:
      return number(value);
  }
}

/** The rules as they are typed, by field. */
export function planningTexts(rules: PlanRules, reader: PlanningReader): Readonly<Record<string, string>> {
  return Object.fromEntries(
    ALL.map(({ path, scale }) => {
      const value = at(rules as unknown as Tree, path);
      return [path, typeof value === 'number' ? shown(value, scale, reader) : ''];
    }),
  );
}

const NUMBER = /^\d{1,7}(?:[.,]\d{1,4})?$/;

/** What stands in a field as the number it means, or what is wrong with it. */
function readNumber(text: string, scale: Scale, { currency, unit }: PlanningReader): number | string {
  if (scale === 'size') {
    const read = parseLength(text, bareUnit(text, amountUnit(unit)));
    if (!read.ok) return read.error.message;
    return read.value.mm < 0 ? 'Not less than nothing' : read.value.mm;
  }
  if (!NUMBER.test(text)) return 'A number';
  const typed = Number(text.replace(',', '.'));
  if (scale === 'money') return Math.round(typed * minorPerUnit(currency));
  return scale === 'per cent' ? typed / PER_CENT : typed;
}

/**
 * What is typed as rules, or what is wrong by field. A number that stands as it is shown is kept to its last digit.
 * @param now the rules in force
 */
export function readPlanning(
  texts: Readonly<Record<string, string>>,
  now: PlanRules,
  reader: PlanningReader,
): {
  readonly rules: PlanRules;
  readonly wrong: Readonly<Record<string, string>>;
} {
  const wrong: Record<string, string> = {};
  const rules: Record<string, unknown> = {};
  for (const { path, scale, empty } of ALL) {
    const text = (texts[path] ?? '').trim();
    const stands = at(now as unknown as Tree, path);
    const kept = typeof stands === 'number' && shown(stands, scale, reader) === text;
    const read = kept ? stands : text === '' && empty === true ? null : readNumber(text, scale, reader);
    if (typeof read === 'string') wrong[path] = text === '' ? 'A number' : read;
    const keys = path.split('.');
    const last = keys.pop() ?? '';
    const node = keys.reduce<Record<string, unknown>>(
      (n, k) => (n[k] ??= {}) as Record<string, unknown>,
      rules,
    );
    node[last] = typeof read === 'string' ? 0 : read;
  }
  return { rules: rules as unknown as PlanRules, wrong };
}

/** What a field is called: with its unit, where what stands in it does not say it. */
export function labelOf({ label, scale }: PlanningField, currency: MoneyForm): string {
  if (scale === 'size') return label;
  const units = {
    mm: 'mm',
    degrees: '°',
    'per cent': '%',
    money: signOf(currency),
    times: '×',
    parts: 'parts',
  };
  return `${label}, ${units[scale]}`;
}
