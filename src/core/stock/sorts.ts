/** How a fact of an item is written and kept. */
export type FactType =
  /** mm, typed in any unit */
  | 'length'
  /** strings of a set, lowest first: `53w 42w 32w 24w 16p 12p` */
  | 'gauges'
  | 'number'
  | 'day'
  | 'text';

/** A fact of a sort of item. */
export interface StockFact {
  readonly label: string;
  readonly type: FactType;
  /** without it nobody can say what fits */
  readonly needed?: true;
  readonly hint?: string;
}

/** A sort of item: what it is counted in and what is known of it. */
export interface StockSort {
  readonly name: string;
  /** one of it, and several */
  readonly unit: readonly [one: string, many: string];
  readonly facts: Readonly<Record<string, StockFact>>;
  /** it goes past its day */
  readonly ages?: true;
}

const PIECE = ['piece', 'pieces'] as const;
const BLANK = {
  material: { label: 'Material', type: 'text', needed: true, hint: 'bone, antler, synthetic' },
  thick: { label: 'Thick', type: 'length', needed: true },
  high: { label: 'High', type: 'length', needed: true },
  long: { label: 'Long', type: 'length', needed: true },
} as const satisfies Readonly<Record<string, StockFact>>;
const OPENED = { label: 'Good until', type: 'day' } as const;

/** What stands on a shop's shelves. */
export const SORTS = {
  'string-set': {
    name: 'Set of strings',
    unit: ['set', 'sets'],
    facts: {
      strings: {
        label: 'Strings, lowest first',
        type: 'gauges',
        needed: true,
        hint: '53w 42w 32w 24w 16p 12p',
      },
      wrap: { label: 'Wrapped with', type: 'text', hint: 'bronze, nickel, steel' },
      shared: { label: 'Which share a packet', type: 'text', hint: 'the two outermost together' },
    },
  },
  string: {
    name: 'Single string',
    unit: ['string', 'strings'],
    facts: { strings: { label: 'String', type: 'gauges', needed: true, hint: '12p' } },
  },
  'nut-blank': { name: 'Nut blank', unit: PIECE, facts: BLANK },
  'saddle-blank': { name: 'Saddle blank', unit: PIECE, facts: BLANK },
  'fret-wire': {
    name: 'Fret wire',
    unit: ['metre', 'metres'],
    facts: {
      crown: { label: 'Crown, high', type: 'length', needed: true },
      wide: { label: 'Crown, wide', type: 'length', needed: true },
      hardness: { label: 'Metal', type: 'text', hint: 'nickel silver, steel' },
    },
  },
  pins: {
    name: 'Bridge pins',
    unit: ['set', 'sets'],
    facts: {
      taper: { label: 'Taper, degrees', type: 'number', needed: true, hint: '3 or 5' },
      material: { label: 'Material', type: 'text' },
    },
  },
  glue: { name: 'Glue', unit: ['bottle', 'bottles'], facts: { until: OPENED }, ages: true },
  oil: { name: 'Oil or polish', unit: ['bottle', 'bottles'], facts: { until: OPENED }, ages: true },
  abrasive: {
    name: 'Abrasive',
    unit: ['sheet', 'sheets'],
    facts: { grit: { label: 'Grit', type: 'number', needed: true } },
  },
  electronics: {
    name: 'Electronics',
    unit: PIECE,
    facts: {
      part: { label: 'Part', type: 'text', needed: true, hint: 'potentiometer, socket, switch' },
      value: { label: 'Value', type: 'text', hint: '250 kΩ, long shaft' },
    },
  },
  hardware: { name: 'Hardware', unit: PIECE, facts: {} },
  own: { name: 'Anything else', unit: PIECE, facts: {} },
} as const satisfies Readonly<Record<string, StockSort>>;

export type SortId = keyof typeof SORTS;
export const SORT_IDS = Object.keys(SORTS) as SortId[];

/** What one job takes whole: it can wait for it. A bottle, a sheet or a coil serves many. */
const OF_ONE_JOB: ReadonlySet<SortId> = new Set([
  'string-set',
  'string',
  'nut-blank',
  'saddle-blank',
  'pins',
  'electronics',
  'hardware',
]);
export const isOfOneJob = (sort: SortId): boolean => OF_ONE_JOB.has(sort);

/** A sort's facts, whatever sort it is. */
export const sortOf = (id: SortId): StockSort => SORTS[id];

/** How many of a sort, in words: `1 set`, `2.5 metres`. */
export function sayQuantity(id: SortId, n: number): string {
  const [one, many] = SORTS[id].unit;
  return `${n} ${n === 1 ? one : many}`;
}
