import type { SortId } from '../core/stock/sorts.ts';
import type { Story } from './story.ts';

/** An item as its shelf has it: what it is, where it lies, how many came, at least, usually ordered, cost and price in minor units. */
type Row = readonly [
  sort: SortId,
  name: string,
  facts: Readonly<Record<string, string>>,
  place: string,
  many: number,
  least: number,
  usual: number,
  cost: number | null,
  price: number | null,
];

const set = (name: string, strings: string, wrap: string, place: string, many: number, least = 3): Row => [
  'string-set',
  name,
  { strings, wrap },
  place,
  many,
  least,
  10,
  620,
  1200,
];
const single = (strings: string, many: number): Row => [
  'string',
  `Single ${strings.slice(-1) === 'p' ? 'plain' : 'wound'} .${strings.slice(0, -1).padStart(3, '0')}`,
  { strings },
  'drawer 4',
  many,
  4,
  12,
  80,
  200,
];
const blank = (sort: 'nut-blank' | 'saddle-blank', material: string, size: string, many: number): Row => {
  const [thick = '', high = '', long = ''] = size.split(' × ').map((s) => `${s} mm`);
  const what = sort === 'nut-blank' ? 'Nut blank' : 'Saddle blank';
  return [
    sort,
    `${what}, ${material} ${size}`,
    { material, thick, high, long },
    'tray 1',
    many,
    2,
    6,
    450,
    900,
  ];
};
const wire = (name: string, crown: string, wide: string, hardness: string, many: number): Row => [
  'fret-wire',
  name,
  { crown: `${crown} mm`, wide: `${wide} mm`, hardness },
  'rack over the jig',
  many,
  2,
  6,
  700,
  1400,
];
const grit = (n: number, many: number): Row => [
  'abrasive',
  `Paper ${n}`,
  { grit: String(n) },
  'drawer 7',
  many,
  5,
  50,
  40,
  null,
];
const plain = (
  sort: SortId,
  name: string,
  facts: Row[2],
  place: string,
  many: number,
  least: number,
): Row => [sort, name, facts, place, many, least, Math.max(2, 2 * least), 400, 700];

const itemsOn = (day: (from: number) => string): readonly Row[] => [
  set('Acoustic light, bronze', '53w 42w 32w 24w 16p 12p', 'bronze', 'drawer 1', 7),
  set('Acoustic medium, bronze', '56w 45w 35w 26w 17p 13p', 'bronze', 'drawer 1', 4),
  set('Acoustic custom light, bronze', '52w 42w 32w 23w 15p 11p', 'bronze', 'drawer 1', 2),
  set(
    'Twelve-string light, bronze',
    '27w 47w 18p 39w 12p 30w 8p 23w 14p 14p 10p 10p',
    'bronze',
    'drawer 1',
    1,
    2,
  ),
  set('Electric light, nickel', '42w 32w 24w 16p 11p 9p', 'nickel', 'drawer 2', 9),
  set('Electric regular, nickel', '46w 36w 26w 17p 13p 10p', 'nickel', 'drawer 2', 12),
  set('Electric medium, nickel', '48w 38w 28w 18p 14p 11p', 'nickel', 'drawer 2', 3),
  set('Archtop, wound third', '52w 42w 32w 24w 16p 12p', 'nickel', 'drawer 2', 2, 1),
  set('Bass regular, steel', '105w 85w 65w 45w', 'steel', 'drawer 3', 3, 2),
  set('Bass, five strings', '130w 105w 85w 65w 45w', 'steel', 'drawer 3', 1, 1),
  set('Nylon, normal tension', '44s 36s 30s 40n 33n 28n', 'silvered', 'drawer 3', 5),
  set('Ukulele, nylon', '24n 34n 29n 22n', '', 'drawer 3', 4, 2),
  ...['9p', '10p', '11p', '12p', '13p', '16p', '17p'].map((g, i) => single(g, 6 + i)),
  ...['24w', '26w', '32w', '42w'].map((g) => single(g, 3)),
  blank('nut-blank', 'bone', '6 × 10 × 52', 6),
  blank('nut-blank', 'bone', '3.4 × 8 × 45', 3),
  blank('nut-blank', 'synthetic', '6 × 10 × 52', 4),
  blank('saddle-blank', 'bone', '3 × 12 × 80', 5),
  blank('saddle-blank', 'bone', '2.6 × 12 × 80', 2),
  blank('saddle-blank', 'antler', '3.2 × 12 × 85', 1),
  blank('saddle-blank', 'synthetic', '3 × 12 × 80', 4),
  wire('Wire, medium', '1.1', '2.3', 'nickel silver', 7),
  wire('Wire, tall and narrow', '1.4', '2.1', 'nickel silver', 4),
  wire('Wire, low and wide', '0.9', '2.8', 'nickel silver', 3),
  wire('Wire, hard', '1.2', '2.4', 'steel', 2),
  plain('pins', 'Pins, 5°, dark', { taper: '5', material: 'ebony' }, 'tray 2', 4, 2),
  plain('pins', 'Pins, 3°, plain', { taper: '3', material: 'synthetic' }, 'tray 2', 2, 2),
  plain('glue', 'Hide glue, liquid', { until: day(-150) }, 'cool shelf', 1, 1),
  plain('glue', 'Wood glue', { until: day(300) }, 'shelf over bench one', 2, 1),
  plain('glue', 'Thin cyanoacrylate', { until: day(90) }, 'cool shelf', 3, 2),
  plain('oil', 'Board oil', {}, 'shelf over bench one', 2, 1),
  plain('oil', 'Contact cleaner', {}, 'soldering place', 1, 1),
  plain('oil', 'Polish without silicone', {}, 'shelf over bench one', 2, 1),
  ...[120, 320, 400, 600, 1000, 1500, 2000].map((n) => grit(n, 12)),
  plain('electronics', 'Potentiometer 250', { part: 'potentiometer', value: '250 kΩ' }, 'tray 5', 6, 4),
  plain('electronics', 'Potentiometer 500', { part: 'potentiometer', value: '500 kΩ' }, 'tray 5', 5, 4),
  plain('electronics', 'Output socket, mono', { part: 'output socket', value: 'mono' }, 'tray 5', 4, 2),
  plain('electronics', 'Three-way switch', { part: 'switch', value: 'three ways' }, 'tray 5', 1, 1),
  plain('electronics', 'Battery, 9 V', { part: 'battery', value: '9 V' }, 'tray 5', 8, 4),
  plain('hardware', 'Strap button', {}, 'tray 6', 7, 2),
  plain('hardware', 'Tuner button, ivoroid', {}, 'tray 6', 6, 0),
  plain('hardware', 'Screws for pickguards', {}, 'tray 6', 40, 10),
  plain('own', 'Felt washers', {}, 'tray 6', 20, 5),
  plain('own', 'Masking tape, low tack', {}, 'hook by the window', 3, 2),
  plain('own', 'Shim stock, 0.25 mm', {}, 'drawer 7', 5, 2),
];

const SUPPLIERS: Readonly<Partial<Record<SortId, string>>> = {
  'string-set': 'Harrow Lane Strings',
  string: 'Harrow Lane Strings',
  'nut-blank': 'Bonewright & Co',
  'saddle-blank': 'Bonewright & Co',
  'fret-wire': 'Tolland Wire',
};

/** How the suppliers are reached, and how many days they usually take. */
const REACHED: Readonly<Record<string, readonly [email: string, days: number | null]>> = {
  'Harrow Lane Strings': ['orders@harrowlane.example', 3],
  'Bonewright & Co': ['bench@bonewright.example', 6],
  'Tolland Wire': ['', null],
  'Quillmere Hardware': ['desk@quillmere.example', 4],
};

/** The job whose frets wait for wire. */
const AWAITS_WIRE = 410;

/**
 * Two orders under way: wire that a job waits for, likely in three days, and strings some of which are here and the rest is late.
 * @param story at the time they were written
 */
export async function orderSome(
  story: Story,
  today: number,
  items: ReadonlyMap<string, number>,
): Promise<void> {
  const day = (from: number): string => new Date(today + from * 86_400_000).toISOString().slice(0, 10);
  const order = async (
    supplier: string,
    expected: string,
    note: string,
    many: Readonly<Record<string, number>>,
  ) => {
    const rows = Object.entries(many).flatMap(([name, quantity]) => {
      const itemId = items.get(name);
      return itemId === undefined ? [] : [{ itemId, quantity }];
    });
    const { orderId, version } = await story.give('stores.save-order', {
      orderId: null,
      version: 0,
      supplier,
      expected,
      note,
      rows,
    });
    const placed = await story.give('stores.place-order', { orderId, version, how: 'own' });
    return { orderId, version: placed.version };
  };
  for (const [name, [email, days]] of Object.entries(REACHED))
    await story.give('stores.save-supplier', { name, version: 0, email, days });
  await order('Tolland Wire', day(3), 'The same coil as last time, please.', { 'Wire, hard': 6 });
  const wire = items.get('Wire, hard');
  if (wire === undefined) throw new Error('demo: no hard wire');
  const { id: jobId } = await story.view(AWAITS_WIRE);
  await story.give('stores.want', { jobId, itemId: wire, lineId: null, quantity: 3 });
  const strings = await order('Harrow Lane Strings', day(-1), '', {
    'Acoustic custom light, bronze': 10,
    'Twelve-string light, bronze': 4,
    'Single wound .026': 12,
  });
  const first = items.get('Single wound .026');
  if (first === undefined) throw new Error('demo: no single wound .026');
  await story.give('stores.order-came', { ...strings, rows: [{ itemId: first, came: 12 }] });
}

/** What went in each of six months at the benches, the first of them first. */
const USED: Readonly<Record<string, readonly number[]>> = {
  'Acoustic light, bronze': [3, 4, 2, 5, 4, 3],
  'Electric regular, nickel': [5, 3, 4, 4, 6, 2],
  'Nylon, normal tension': [1, 2, 1, 0, 2, 1],
  'Saddle blank, bone 3 × 12 × 80': [1, 0, 2, 1, 1, 0],
  'Nut blank, bone 6 × 10 × 52': [0, 1, 1, 0, 1, 1],
  'Wire, medium': [1.5, 0, 1.5, 1.5, 0, 1.5],
  'Paper 400': [4, 6, 3, 5, 8, 4],
  'Battery, 9 V': [2, 1, 0, 2, 1, 1],
};

/** Writes down what the benches took, month by month. */
async function spendSome(story: Story, items: ReadonlyMap<string, number>): Promise<void> {
  for (let month = 0; month < 6; month++) {
    story.after(30 * (month + 1));
    for (const [name, many] of Object.entries(USED)) {
      const [itemId, quantity] = [items.get(name), many[month] ?? 0];
      if (itemId === undefined) throw new Error(`demo: nothing is called ${name}`);
      const move = { itemId, kind: 'used', jobId: null, lineId: null, reason: 'at the benches' } as const;
      if (quantity > 0) await story.give('stores.move', { ...move, quantity });
    }
  }
}

/** Puts on the shelves what the shop keeps, and says where it came from. @param today ms since the epoch */
export async function fillShelves(story: Story, today: number): Promise<ReadonlyMap<string, number>> {
  const known = new Map<string, number>();
  const day = (from: number): string => new Date(today + from * 86_400_000).toISOString().slice(0, 10);
  for (const [i, [sort, name, facts, place, many, least, usual, cost, price]] of itemsOn(day).entries()) {
    const { itemId } = await story.give('stores.save-item', {
      itemId: null,
      version: 0,
      sort,
      name,
      facts,
      place,
      supplier: SUPPLIERS[sort] ?? 'Quillmere Hardware',
      code: String(4_000_100 + i),
      least,
      usual,
      cost,
      price,
      tax: null,
      retired: false,
    });
    await story.give('stores.move', {
      itemId,
      kind: 'received',
      quantity: many + (USED[name] ?? []).reduce((s, n) => s + n, 0),
      jobId: null,
      lineId: null,
      reason: 'the first count',
    });
    known.set(name, itemId);
  }
  await spendSome(story, known);
  return known;
}
