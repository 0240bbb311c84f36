import { CAUSE_IDS, CAUSES } from '../../core/hunt/causes.ts';
import { minorPerUnit, signOf, type MoneyForm } from '../../core/money/currency.ts';
import type { PlanRules } from '../../core/plan/plan-rules.ts';

/** How a number of the rules is shown: as it is, in hundredths of it (a share in per cent), or money in whole units. */
type Scale = 'mm' | 'degrees' | 'per cent' | 'money' | 'times' | 'parts';

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
      { path: 'rodPrior.perEighth', label: 'Relief for an eighth of a turn', scale: 'mm' },
      { path: 'rodPrior.sd', label: 'Its spread', scale: 'mm' },
      {
        path: 'rodActionRatio',
        label: 'Action for relief (empty: by kind)',
        scale: 'times',
        empty: true,
      },
      { path: 'limits.rod', label: 'The rod does at most', scale: 'mm' },
      { path: 'limits.clamp.low', label: 'A neck is clamped or warmed from', scale: 'mm' },
      { path: 'limits.clamp.high', label: 'Clamp or warmth does at most', scale: 'mm' },
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
      { path: 'limits.highFret', label: 'A fret is high from', scale: 'mm' },
      { path: 'limits.planned', label: 'Room a plan leaves under a string', scale: 'mm' },
      { path: 'shape.rise', label: 'The far end rises from', scale: 'mm' },
      { path: 'shape.hump', label: 'A hump counts from', scale: 'mm' },
      { path: 'shape.twist', label: 'A twist counts from', scale: 'mm' },
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

/** The rules as they are typed, by field. */
export function planningTexts(rules: PlanRules, currency: MoneyForm): Readonly<Record<string, string>> {
  return Object.fromEntries(
    ALL.map(({ path, scale }) => {
      const value = at(rules as unknown as Tree, path);
      if (typeof value !== 'number') return [path, ''];
      const shown =
        scale === 'per cent' ? value * 100 : scale === 'money' ? value / minorPerUnit(currency) : value;
      return [path, String(Number(shown.toFixed(4)))];
    }),
  );
}

const NUMBER = /^\d{1,7}(?:[.,]\d{1,4})?$/;

/** What is typed as rules, or what is wrong by field. */
export function readPlanning(
  texts: Readonly<Record<string, string>>,
  currency: MoneyForm,
): {
  readonly rules: PlanRules;
  readonly wrong: Readonly<Record<string, string>>;
} {
  const wrong: Record<string, string> = {};
  const rules: Record<string, unknown> = {};
  for (const { path, scale, empty } of ALL) {
    const text = (texts[path] ?? '').trim();
    if (text === '' && empty !== true) wrong[path] = 'A number';
    else if (text !== '' && !NUMBER.test(text)) wrong[path] = 'A number';
    const typed = Number(text.replace(',', '.'));
    const value =
      text === ''
        ? null
        : scale === 'money'
          ? Math.round(typed * minorPerUnit(currency))
          : scale === 'per cent'
            ? typed / 100
            : typed;
    const keys = path.split('.');
    const last = keys.pop() ?? '';
    const node = keys.reduce<Record<string, unknown>>(
      (n, k) => (n[k] ??= {}) as Record<string, unknown>,
      rules,
    );
    node[last] = value;
  }
  return { rules: rules as unknown as PlanRules, wrong };
}

/** The unit a field is written in. */
export const unitOf = (scale: Scale, currency: MoneyForm): string =>
  ({ mm: 'mm', degrees: '°', 'per cent': '%', money: signOf(currency), times: '×', parts: 'parts' })[scale];
