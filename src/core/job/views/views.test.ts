import { SHIPPED_CARE } from '../../care/care.ts';
import { ALWAYS } from '../../days/opening.ts';
/** What screens and papers show of a job, made from plain values: no house, no clock, no rows. */
import { USUAL_PLAN_RULES } from '../../plan/plan-rules.ts';
import { createHash } from 'node:crypto';
import { BENCH_ARRIVAL } from '../../inspection/lists/bench-arrival.ts';
import { usualConstruction } from '../../instrument/defaults.ts';
import { KINDS } from '../../instrument/kinds.ts';
import { USUAL_RULES } from '../../hand-over/rules.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import { USUAL_FEELINGS } from '../../readings/entry-forms.ts';
import { USUAL_METHODS } from '../../readings/methods.ts';
import { standardReadings } from '../../readings/standard.ts';
import { stationsOf, USUAL_HABITS } from '../../readings/stations.ts';
import { canonicalJson } from '../../record/canonical.ts';
import { SHIPPED_TARGETS } from '../../targets/shop-targets.ts';
import { plainTax } from '../../money/tax.ts';
import type { JobParts } from '../job-parts.ts';
import type { Job, JobLine, JobReading } from '../job.ts';
import type { JudgingShop } from '../judged-job.ts';
import { judge } from '../judge.ts';
import { LEAVES, NO_FACTS } from '../leaves.ts';
import { namesOf, type Shop } from '../shop.ts';
import { sheetView } from './customer-sheet.ts';
import { invoiceView } from './invoice.ts';
import { commonView, LEAF_VIEWS, leafSource, type Around } from './leaves.ts';
import { sealedRecord } from './sealed-record.ts';

const at = (minute: number) => new Date(Date.UTC(2026, 10, 20, 10, minute));
const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const construction = usualConstruction('steel-acoustic');

const shop: Shop = {
  info: {
    name: 'The Bench at Orrin Lane',
    address: '',
    phone: '',
    email: '',
    web: '',
    foot: '',
    currency: '¤',
    tax: plainTax(0.2),
    hourly: null,
    minimum: 0,
    firstNumber: 401,
    zone: 'UTC',
    dates: 'day-month',
    firstWeekday: 'monday',
    heights: '64ths',
    paper: 'A4',
  },
  rules: USUAL_RULES,
  planning: USUAL_PLAN_RULES,
  opening: ALWAYS,
  habits: {
    methods: USUAL_METHODS,
    order: [...USUAL_HABITS.order],
    firstString: 'lowest',
    units: {},
    gauges: {},
    feelings: [...USUAL_FEELINGS],
  },
  targets: SHIPPED_TARGETS,
  care: SHIPPED_CARE,
  catalogue: OPERATIONS,
  kinds: KINDS.map((id) => ({
    id,
    name: id,
    usual: usualConstruction(id),
    own: false,
    retired: false,
    version: 0,
  })),
  gauges: [],
  people: [
    { id: 1, name: 'Ilse Marrow', role: 'lead', active: true },
    { id: 2, name: 'Tomas Vey', role: 'technician', active: true },
  ],
  checklists: [BENCH_ARRIVAL],
};

const line = (id: number, more: Partial<JobLine> = {}): JobLine => ({
  id,
  version: 1,
  decisionId: null,
  operation: 'rod',
  title: 'Adjust the truss rod',
  detail: '',
  sort: id,
  priceMinor: 1500,
  partsMinor: 0,
  tax: null,
  partsTax: null,
  priceReason: '',
  approval: 'yes',
  approvedBy: 'Petra',
  approvedHow: 'at the counter',
  approvedAt: at(5),
  step: 'ready',
  finishedAt: null,
  finishedBy: null,
  found: null,
  stops: null,
  askedBy: null,
  ...more,
});

const reading = (key: string, value: number, more: Partial<JobReading> = {}): JobReading => {
  const [quantity = '', string = '', fret = ''] = key.split(':');
  return {
    key,
    quantity: quantity as JobReading['quantity'],
    string: Number(string),
    fret: Number(fret),
    value,
    round: 'as-found',
    takenAt: at(10).getTime(),
    notRepresentative: null,
    roundId: 1,
    typed: `${value} mm`,
    unit: 'mm',
    method: '',
    gauge: '',
    position: 'playing',
    copiedFrom: null,
    takenBy: 2,
    version: 1,
    ...more,
  };
};

type Whole = Job & JobParts & JudgingShop;

function whole(more: Partial<Whole> = {}): Whole {
  const readings = more.readings ?? [reading('relief:0:7', 0.5), reading('action:6:12', 3.4)];
  return {
    job: {
      id: 7,
      number: 412,
      version: 3,
      state: 'open',
      complaint: 'Too high',
      touch: 'medium',
      plays: '',
      wish: '',
      neededBy: null,
      hardDate: false,
      hardReason: '',
      limitMinor: null,
      discountKind: 'none',
      discountValue: 0,
      discountReason: '',
      stringsState: 'at-pitch',
      placeId: 3,
      holderId: 2,
      waitingFor: 'hands',
      waitingNote: '',
      waitingUntil: null,
      list: BENCH_ARRIVAL.id,
      facts: NO_FACTS,
      takenInAt: at(0),
      takenInBy: 1,
      closedAt: null,
    },
    instrument: {
      id: 9,
      version: 1,
      maker: 'Orrin',
      model: 'Fieldfare',
      year: '',
      yearFrom: '',
      serial: '',
      kind: 'steel-acoustic',
      construction,
      worthMinor: null,
    },
    inspection: null,
    checklist: BENCH_ARRIVAL,
    answers: [],
    rounds: [
      {
        id: 1,
        kind: 'as-found',
        title: '',
        strings: 'at-pitch',
        position: 'playing',
        tuning: 'usual',
        temperature: null,
        humidity: null,
        pitch: null,
        methods: null,
        gauges: null,
        startedAt: at(9),
        version: 0,
      },
    ],
    readings,
    standard: standardReadings(construction, readings),
    targets: [],
    wishes: [],
    stations: stationsOf(construction),
    decisions: [],
    lines: [],
    stringChanges: [],
    handOver: null,
    choice: null,
    turns: [],
    customer: { id: 4, name: 'Petra Lund', phone: '', email: '', version: 0 },
    things: [],
    marks: [],
    photos: [],
    payments: [],
    invoices: [],
    clocks: [],
    cuts: [],
    remarks: [],
    passings: [],
    accidents: [],
    links: [],
    seals: [],
    messages: [],
    tries: [],
    results: [],
    offers: [],
    visits: [],
    earlier: [],
    watches: [],
    receipt: null,
    catalogue: OPERATIONS,
    shopTargets: SHIPPED_TARGETS,
    info: { currency: '¤' },
    ...more,
  };
}

const AROUND: Around = {
  places: [
    { id: 3, name: 'C2', kind: 'rack', holds: 412 },
    { id: 4, name: 'C3', kind: 'rack', holds: null },
  ],
  double: null,
  seal: { kind: 'open' },
  sheet: { content: sheetView(whole(), judge(whole()), shop, at(30)), digest: sha256('') },
};

const shown = (g: Whole, now = at(30)) => commonView(leafSource<never>(g, shop, now), AROUND);
const sheet = (g: Whole) => sheetView(g, judge(g), shop, at(30));
const sealed = (g: Whole) => canonicalJson(sealedRecord(g, namesOf(shop), sha256));

test.each(LEAVES.map((leaf) => [leaf] as const))('%s goes through JSON as it is', (leaf) => {
  const g = whole({ lines: [line(1), line(2, { operation: 'saddle-lower', finishedAt: at(20) })] });
  const source = leafSource<'tries' | 'results' | 'offers' | 'visits' | 'receipt' | 'invoices'>(
    g,
    shop,
    at(30),
  );
  const view = { ...commonView(source, AROUND), ...LEAF_VIEWS[leaf](source, AROUND) };
  expect(JSON.parse(JSON.stringify(view))).toEqual(view);
});

test('the head says who holds it, where it hangs and who took it in', () => {
  expect(shown(whole())).toMatchObject({
    number: 412,
    place: 'C2',
    holder: 'Tomas Vey',
    takenInBy: 'Ilse Marrow',
    customer: { name: 'Petra Lund' },
    instrument: { name: 'Orrin Fieldfare', kindName: 'steel-acoustic' },
  });
});

test('of the rounds those begun stand, and those that may be begun are offered, each once', () => {
  const kinds = (g: Whole) => shown(g).readings.rounds.map((r) => [r.kind, r.begun]);
  expect(kinds(whole())).toEqual([
    ['as-found', true],
    ['after-work', false],
    ['as-left', false],
  ]);
  expect(kinds(whole({ rounds: [], readings: [] })).map(([kind]) => kind)).toEqual([
    'as-found',
    'after-work',
    'as-left',
  ]);
});

test('a reading before finished work says that it is stale and why; one after it does not', () => {
  const turned = line(1, { step: 'finished', finishedAt: at(20), finishedBy: 2 });
  const stale = (minute: number) =>
    shown(
      whole({
        lines: [turned],
        readings: [reading('relief:0:7', 0.3, { takenAt: at(minute).getTime() })],
      }),
    ).readings.readings[0]?.stale;
  expect(stale(10)).toContain('truss rod');
  expect(stale(25)).toBeNull();
});

test('a relief that was read before the neck had rested is read again before the next turn', () => {
  const turn = { id: 1, lineId: 1, eighths: 1, before: 0.5, after: 0.4, typed: '', turnedBy: 2, version: 1 };
  const next = (readAt: number, now: number) =>
    shown(
      whole({
        lines: [line(1, { step: 'running' })],
        turns: [{ ...turn, turnedAt: at(20) }],
        readings: [reading('relief:0:7', 0.4, { takenAt: at(readAt).getTime() })],
      }),
      at(now),
    ).lines[0]?.rod?.next ?? '';
  expect(next(22, 24)).toMatch(/read it again in 6 min\. By what it read then: Next: tighten/);
  expect(next(22, 40)).toMatch(/read it again\. By what it read then: Next: tighten/);
  expect(next(31, 40)).toMatch(/^Next: tighten/);
});

test('what rests is shown until it has rested, and stands in the way of the next step so long', () => {
  const lines = [
    line(1, { operation: 'bridge-reglue', title: 'Reglue the bridge', step: 'finished', finishedAt: at(0) }),
    line(2, { operation: 'clean-body', title: 'Clean the body' }),
  ];
  const seen = (minutes: number) => {
    const { waits, lines: all } = shown(whole({ lines }), at(minutes));
    const hinders = all.find((l) => l.id === 2)?.hinders ?? [];
    return { waits: waits.map((w) => w.title), hinders: hinders.map((h) => [h.kind, h.passable, h.until]) };
  };
  expect(seen(30)).toEqual({
    waits: ['Reglue the bridge'],
    hinders: [['rest', true, at(1440).getTime()]],
  });
  expect(seen(1440)).toEqual({ waits: [], hinders: [] });
});

test('what stood there before is the newest reading of each place of the visits before', () => {
  const earlier = [
    { key: 'relief:0:7', value: 0.2, takenAt: 1, job: 300 },
    { key: 'action:6:12', value: 2.1, takenAt: 2, job: 300 },
    { key: 'relief:0:7', value: 0.3, takenAt: 3, job: 350 },
  ];
  expect(shown(whole({ earlier })).readings.before).toEqual([
    { key: 'relief:0:7', value: 0.3, job: 350, at: new Date(3).toISOString() },
    { key: 'action:6:12', value: 2.1, job: 300, at: new Date(2).toISOString() },
  ]);
});

test('a line’s clocks come to what was worked; one that still runs says since when and by whom', () => {
  const clocks = [
    { id: 1, lineId: 1, personId: 2, startedAt: at(0), endedAt: at(6), correction: '' },
    { id: 2, lineId: 1, personId: 1, startedAt: at(20), endedAt: null, correction: '' },
    { id: 3, lineId: 2, personId: 1, startedAt: at(0), endedAt: at(9), correction: '' },
  ];
  const [first, second] = shown(whole({ lines: [line(1), line(2)], clocks })).lines;
  expect(first).toMatchObject({
    workedMs: 6 * 60_000,
    runningSince: at(20).toISOString(),
    runningBy: 'Ilse Marrow',
  });
  expect(second).toMatchObject({ workedMs: 9 * 60_000, runningSince: null, runningBy: '' });
});

test('of a customer’s ways in only those that still open are shown', () => {
  const link = (id: number, expires: number, withdrawnAt: Date | null = null) => ({
    id,
    purpose: 'sheet' as const,
    madeBy: 1,
    madeAt: at(0),
    expiresAt: at(expires),
    withdrawnAt,
  });
  const links = [link(1, 40), link(2, 20), link(3, 40, at(10))];
  expect(shown(whole({ links })).links.map((l) => l.id)).toEqual([1]);
});

test('the customer’s sheet: what was agreed costs, what was declined is left, a discount comes off before the tax', () => {
  const lines = [
    line(1, { priceMinor: 3000 }),
    line(2, { priceMinor: 2000, partsMinor: 500, found: 'a loose brace' }),
    line(3, { title: 'New nut', approval: 'no', priceMinor: 9000 }),
  ];
  const plain = sheet(whole({ lines }));
  expect(plain.price).toMatchObject({ labour: 5000, parts: 500, tax: 1100, toPay: 6600, estimate: 3600 });
  expect(plain.left).toEqual(['Petra said no: The neck’s curve is set with its rod.']);
  expect(plain.found).toEqual(['While inside: a loose brace']);
  // What is agreed and not finished was not done.
  expect([plain.done.length, plain.todo?.length]).toEqual([0, 2]);
  const ended = whole({ lines: lines.map((l) => ({ ...l, step: 'finished' as const })) });
  const finished = sheet(ended);
  expect([finished.done.length, finished.todo]).toEqual([2, undefined]);
  // As it was done on the sheet and on the invoice; as it was agreed while it was not.
  const invoiced = (g: Whole): string | undefined => invoiceView(g, shop.info, at(40)).lines[0]?.title;
  expect(finished.done[0]).toMatchObject({ title: 'The neck’s curve was set with its rod.' });
  expect([invoiced(whole({ lines })), invoiced(ended)]).toEqual([
    'The neck’s curve is set with its rod.',
    'The neck’s curve was set with its rod.',
  ]);
  const { job } = whole();
  const less = sheet(whole({ lines, job: { ...job, discountKind: 'amount', discountValue: 500 } }));
  expect(less.price).toMatchObject({ discount: 500, tax: 1000, toPay: 6000 });
});

test('the sheet says before and after of the same place, and nothing of a reading that does not stand for it', () => {
  const g = whole({
    readings: [
      reading('action:6:12', 3.4),
      reading('action:6:12', 2.1, { round: 'as-left', roundId: 2 }),
      reading('relief:0:7', 0.5, { notRepresentative: 'taken with a string missing' }),
    ],
  });
  const row = (quantity: string, string: number) =>
    sheet(g).readings.find((r) => r.quantity === quantity && r.string === string);
  expect(row('action', 6)).toMatchObject({ before: 3.4, after: 2.1 });
  expect(row('relief', 0)).toMatchObject({ before: null, after: null });
});

test('the sealed record names whom and what it was signed for, whatever they are called later', () => {
  const signed = whole({
    handOver: {
      version: 2,
      checks: { played: true },
      exceptionText: '',
      checkedBy: 2,
      checkedAt: at(25),
      signer: 'Petra Lund',
      signature: null,
      signedAt: at(28),
      subject: {
        customer: 'Petra Lund',
        instrument: { maker: 'Orrin', model: 'Fieldfare', serial: '', kind: 'steel-acoustic' },
      },
      secondBy: null,
      secondAt: null,
      advice: null,
      nextCheck: null,
      shown: null,
      ending: 'done',
      endingNote: '',
      endedAt: null,
      endedBy: null,
    },
  });
  const renamed = {
    ...signed,
    customer: { id: 4, name: 'Petra Holm', phone: '', email: '', version: 1 },
    instrument: { ...signed.instrument, model: 'Redwing' },
  };
  expect(sealed(renamed)).toBe(sealed(signed));
  const changed = { ...signed, job: { ...signed.job, complaint: 'Too low' } };
  expect(sealed(changed)).not.toBe(sealed(signed));
});

const GIVEN = { finding: null, answeredAt: at(0), answeredBy: 1, version: 1 };

test('the order rows come in changes no seal', () => {
  const answers = [
    { ...GIVEN, item: 'rod', answer: 'fine' as const, note: '' },
    { ...GIVEN, item: 'belly', answer: 'watch' as const, note: 'a little' },
  ];
  const g = whole({ answers });
  const turned = whole({ answers: [...answers].reverse(), readings: [...g.readings].reverse() });
  expect(sealed(turned)).toBe(sealed(g));
});

test('paper for the bench asks for what is true once all is done, whatever state the strings are in now', () => {
  const asked = (operation: JobLine['operation']) =>
    shown(
      whole({
        job: { ...whole({}).job, stringsState: 'off' },
        lines: [line(1, { operation, title: 'A step' })],
      }),
    ).handOver.askedWhenDone.map((c) => c.key);
  expect(asked('restring')).toContain('played');
  expect(asked('clean-body')).not.toContain('played');
});
