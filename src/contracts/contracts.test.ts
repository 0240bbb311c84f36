import { NO_MOVES } from '../core/whatif/moves.ts';
import { operationsFile } from './formats/operations-file.ts';
import { SHIPPED_TARGETS } from '../core/targets/shop-targets.ts';
import { usualConstruction } from '../core/instrument/defaults.ts';
import { BENCH_ARRIVAL } from '../core/inspection/lists/bench-arrival.ts';
import { KINDS } from '../core/instrument/kinds.ts';
import { COMMANDS, type CommandName } from './commands/commands.ts';
import { constructionSchema } from './construction.ts';
import { toFileItems } from './formats/checklist-items.ts';

const id = 1;
const GOOD: { readonly [N in CommandName]: Readonly<Record<string, unknown>> } = {
  'desk.take-in': {
    customer: { id },
    instrument: { id },
    complaint: 'stiff',
    touch: 'light',
    plays: '',
    wish: '',
    neededBy: '2026-12-24',
    hardDate: true,
    hardReason: 'concert',
    limitMinor: 0,
    stringsState: 'missing',
    cameWith: [{ name: 'case', state: '' }],
    placeId: null,
  },
  'desk.receipt': { jobId: id, name: 'Runa', initials: [[{ x: 1, y: 2 }]] },
  'custody.mark': { jobId: id, view: 'front', x: 0.4, y: 1, words: 'ding' },
  'work.turn': { lineId: id, eighths: -1.5, after: '.010', unit: 'thou' },
  'work.take-back-turn': { turnId: id, version: 0 },
  'custody.change-mark': { markId: id, version: 0, words: '', removed: true },
  'custody.remove-photo': { photoId: id },
  'custody.thing': { jobId: id, item: null, name: 'strap', state: '', removed: false, why: 'forgotten' },
  'desk.change-customer': {
    jobId: id,
    version: 0,
    customer: { name: 'Petra', phone: '', email: '' },
    instrumentToo: true,
    why: 'the wrong Petra',
  },
  'custody.bag': { jobId: id, name: 'old saddle', state: '' },
  'rack.move': {
    jobId: id,
    version: 0,
    placeId: id,
    waitingFor: 'time',
    waitingNote: 'glue',
    holderId: null,
  },
  'inspection.answer': { jobId: id, item: 'case', answer: 'fine', note: '', version: 0 },
  'inspection.finish': { jobId: id, version: 0, ending: '' },
  'inspection.choose-list': { jobId: id, list: 'sales-floor' },
  'shelf.import-customers': { customers: [{ name: 'Petra', phone: '555', email: '' }] },
  'shelf.import-instruments': {
    instruments: [
      {
        customer: 'Petra',
        kind: 'bass',
        maker: '',
        model: 'Deep',
        year: '',
        serial: '',
        construction: usualConstruction('bass'),
      },
    ],
  },
  'shelf.merge': { entity: 'customer', keepId: id, goneId: 2, verdict: 'same' },
  'shelf.undo-merge': { mergeId: id },
  'shelf.change-instrument': {
    instrumentId: id,
    version: 0,
    maker: '',
    model: 'Otter',
    year: '2009',
    yearFrom: 'neck heel',
    serial: '',
    kind: 'own-tenor',
    construction: usualConstruction('ukulele'),
  },
  'desk.correct': {
    jobId: id,
    version: 0,
    said: {
      complaint: 'It plays stiff.',
      touch: 'medium',
      plays: '',
      wish: '',
      neededBy: null,
      hardDate: false,
      hardReason: '',
      limitMinor: null,
    },
    customer: { version: 0, name: 'Petra Aldous', phone: '', email: '' },
    why: 'misheard',
  },
  'house.save-shop': {
    version: 0,
    shop: {
      name: 'Quillmere Fretworks',
      address: '',
      phone: '',
      email: '',
      web: '',
      foot: '',
      currency: '¤',
      taxRate: 0.2,
      heights: '64ths',
      paper: 'A4',
    },
  },
  'people.save': {
    id: null,
    version: 0,
    name: 'Juno Amsel',
    initials: 'JA',
    role: 'technician',
    skill: 'setup',
    pin: '7302',
  },
  'people.set-pin': { id, pin: '7302' },
  'people.own-pin': { now: '2468', pin: '7302' },
  'people.leave': { id, version: 0, left: true },
  'people.sign-out': { from: 'other tablets' },
  'devices.code': { uses: 1 },
  'devices.rename': { id, name: 'Bench tablet' },
  'devices.revoke': { id },
  'house.save-messages': {
    version: 0,
    messages: { mail: { how: 'smtp', host: 'mail.shop.example', from: 'bench@shop.example' } },
    secrets: { password: 'only for the tests' },
  },
  'house.save-places': { version: 0, places: [{ id: null, name: 'A1', kind: 'rack' }] },
  'house.first-day': { version: 0, done: ['shop'], closed: false },
  'house.retire-kind': { id: 'own-lute', version: 0, retired: true },
  'house.delete-kind': { id: 'own-lute', version: 0 },
  'house.save-kind': { id: '', version: 0, name: 'Tenor', construction: usualConstruction('ukulele') },
  'house.save-checklist': {
    list: 'bench-arrival',
    name: 'Bench arrival',
    ends: [],
    items: toFileItems(BENCH_ARRIVAL.items),
    version: 1,
  },
  'strings.off': { jobId: id, reason: '' },
  'strings.on': { jobId: id, setName: '', fresh: true, strings: [{ note: 'E2', gauge: 1.35, wound: true }] },
  'readings.conditions': {
    jobId: id,
    round: 'as-left',
    version: 0,
    strings: 'at-pitch',
    position: 'playing',
    tuning: 'E A D G B E',
    temperature: 21.5,
    humidity: 44,
  },
  'readings.save': {
    jobId: id,
    round: 'as-found',
    quantity: 'action',
    string: 6,
    fret: 12,
    typed: '5/64',
    unit: 'mm',
    version: 0,
  },
  'readings.take-back': { jobId: id, round: 'as-found', quantity: 'relief', string: 0, fret: 7, version: 1 },
  'readings.copy-forward': { jobId: id, round: 'after-work-2' },
  'house.save-habits': { version: 0, habits: {} },
  'house.save-gauge': {
    id: 0,
    version: 0,
    name: 'Feelers, worn',
    quantities: ['relief', 'nut-gap'],
    unit: 'thou',
    resolution: 0.02,
    zeroOffset: 0,
    checkEveryDays: 180,
    retired: false,
  },
  'house.check-gauge': { gaugeId: id, version: 0, reference: 1, shows: 1.02 },
  'house.save-targets': { version: 0, targets: SHIPPED_TARGETS, note: '' },
  'work.answer-all': {
    jobId: id,
    lines: [{ lineId: id, version: 0 }],
    answer: 'yes',
    by: 'Petra',
    how: 'by telephone',
  },
  'work.price': {
    lineId: id,
    version: 0,
    priceMinor: 0,
    partsMinor: 500,
    tax: null,
    partsTax: 'low',
    reason: 'its own string',
  },
  'work.discount': { jobId: 1, version: 0, kind: 'share', value: 1000, reason: 'a regular' },
  'house.save-operations': { version: 0, operations: operationsFile(), note: '' },
  'plan.keep-try': { jobId: 1, tryId: 0, name: 'lower', moves: NO_MOVES, version: 0 },
  'plan.drop-try': { tryId: 1, version: 0 },
  'plan.worth': { jobId: 1, worthMinor: null, version: 0 },
  'plan.hear': { jobId: 1, string: 6, held: 3, heard: 'clear', was: null },
  'plan.choose': { jobId: 1, plan: 'best', reason: '', version: 0 },
  'plan.offer': { jobId: 1, days: 14 },
  'plan.take-option': { offerId: id },
  'house.save-opening': { version: 0, opening: { hours: null, closed: [] } },
  'house.save-doors': { version: 0, doors: { idleMinutes: 120 } },
  'house.save-copies': { version: 0, copies: { at: '02:30', daily: 7, weekly: 5, monthly: 12 } },
  'house.save-periods': {
    version: 0,
    periods: { customersYears: null, photosYears: 10, messagesMonths: 12, invoicesYears: null },
  },
  'shelf.erase-customer': {
    customerId: id,
    version: 0,
    name: 'A',
    why: 'asked',
    photoIds: [],
    invoices: false,
  },
  'plan.offer-link': { offerId: 1 },
  'house.save-week': { version: 0, rules: {} },
  'week.put': { jobId: 1, step: 'line:4', worker: 2, at: null, minutes: null, version: 0 },
  'week.longer': { personId: 1, day: '2026-12-01', from: 1080, to: 1200 },
  'week.not-longer': { id: 1 },
  'week.away': { personId: 1, from: '2026-12-01', to: '2026-12-01', why: '' },
  'week.back': { id: 1 },
  'week.feed': { personId: 1 },
  'week.end-feed': { personId: 1 },
  'week.promise': { jobId: 1, day: '2026-12-01', chance: 0.8 },
  'week.take': { steps: [{ jobId: 1, step: 'check:1', worker: 1, spot: null, at: 1 }], why: '' },
  'plan.withdraw-offer': { offerId: 1 },
  'plan.record-choice': { offerId: 1, choice: 'leave', by: 'Petra', how: 'by telephone', note: '' },
  'plan.target': {
    jobId: id,
    quantity: 'relief',
    side: 'both',
    low: 0.1,
    aim: 0.2,
    high: 0.3,
    reason: '',
    version: 0,
  },
  'plan.decide': { jobId: id, line: 'rod', decision: 'accepted', change: '', reason: '', version: 0 },
  'plan.add': { jobId: id, operation: 'play-test', detail: '' },
  'work.answer': { lineId: id, version: 0, answer: 'yes', by: 'Petra', how: 'by telephone' },
  'work.step': { lineId: id, version: 0, action: 'start' },
  'work.move': { lineId: id, version: 0, to: 2 },
  'work.ask-change': {
    jobId: id,
    operation: 'nut-new',
    detail: '',
    found: 'the nut is split',
    stops: null,
    withinLimit: false,
  },
  'work.remark': { jobId: id, lineId: null, kind: 'question', words: 'Bone?', toPerson: 2 },
  'work.reply': { remarkId: id, version: 0, answer: 'Bone.' },
  'work.hand-on': { jobId: id, version: 0, toPerson: 2, state: 'rod is moved', tried: '', beware: '' },
  'work.accident': { jobId: id, lineId: 3, happened: 'lacquer lifted', remedy: '' },
  'work.change-accident': { accidentId: id, version: 0, happened: 'lacquer lifted', remedy: 'touched in' },
  'work.correct-clock': { entryId: id, minutes: 0, reason: 'forgot it over lunch' },
  'work.link': { jobId: id, purpose: 'estimate' },
  'work.withdraw-link': { linkId: id },
  'hand-over.second': { jobId: id, version: 0 },
  'hand-over.advice': { jobId: id, version: 0, advice: '', nextCheck: '2026-12-16' },
  'hand-over.paid': { jobId: id, kind: 'deposit', amountMinor: 1, how: 'cash', note: '', over: 0 },
  'hand-over.take-back-payment': { paymentId: id, version: 0, why: 'a slip' },
  'hand-over.invoice': { jobId: id },
  'hand-over.cancel-invoice': { number: 3, reason: 'the wrong customer' },
  'hand-over.ending': { jobId: id, version: 0, ending: 'as-it-is', note: '' },
  'hand-over.end': { jobId: id, version: 0, ending: 'called-off', note: 'by telephone' },
  'hand-over.reopen': { jobId: id, why: 'the wrong job' },
  'shelf.sell': { instrumentId: id, version: 0, customer: { name: 'Petra', phone: '', email: '' } },
  'hand-over.tweak': { jobId: id, words: 'a hair lower' },
  'desk.called': { jobId: id, purpose: 'ready', reached: false, note: '' },
  'desk.message': { jobId: id, purpose: 'ready', channel: 'mail' },
  'desk.resend': { messageId: id },
  'people.seen': { upTo: id },
  'house.save-rules': { version: 0, rules: {} },
  'house.save-planning': { version: 0, rules: {} },
  'house.save-gateway': { version: 0, gateway: { does: 'fail', delay: 0 } },
  'hand-over.check': { jobId: id, version: 0, checks: { played: true }, exception: '' },
  'hand-over.return': { itemId: id, version: 0, returned: false, absence: 'was never here' },
  'hand-over.sign': { jobId: id, version: 0, signer: 'Petra', signature: [[{ x: 0, y: 0 }]] },
};

const NAMES = Object.keys(COMMANDS) as CommandName[];
const problems = (name: CommandName, input: unknown): string[] =>
  COMMANDS[name].input.safeParse(input).error?.issues.map((i) => i.path.join('.')) ?? [];

describe('commands', () => {
  test.each(NAMES)('%s takes what a screen gives', (name) => {
    expect(problems(name, GOOD[name])).toEqual([]);
  });

  test.each(NAMES)('%s refuses each of its fields when it is missing', (name) => {
    for (const field of Object.keys(GOOD[name])) {
      const { [field]: _gone, ...rest } = GOOD[name];
      expect(problems(name, rest).map((p) => p.split('.')[0])).toContain(field);
    }
  });

  test.each(NAMES)('%s refuses nonsense instead of guessing', (name) => {
    for (const nonsense of [null, 5, 'text', [], {}])
      expect(COMMANDS[name].input.safeParse(nonsense).success).toBe(false);
  });

  test.each<[CommandName, Record<string, unknown>, string]>([
    ['desk.take-in', { complaint: '   ' }, 'complaint'],
    ['desk.take-in', { neededBy: '24.12.2026' }, 'neededBy'],
    ['desk.take-in', { limitMinor: 12.5 }, 'limitMinor'],
    ['desk.take-in', { customer: { name: '', phone: '', email: '' } }, 'customer.name'],
    ['desk.take-in', { customer: { name: 'P', phone: 'call me', email: '' } }, 'customer.phone'],
    ['desk.take-in', { customer: { name: 'P', phone: '', email: 'not an address' } }, 'customer.email'],
    ['readings.save', { typed: '' }, 'typed'],
    ['readings.save', { typed: '5'.repeat(61) }, 'typed'],
    ['readings.save', { string: -1 }, 'string'],
    ['readings.save', { version: '0' }, 'version'],
    ['readings.save', { quantity: 'weight' }, 'quantity'],
    ['readings.save', { heard: -0.1 }, 'heard'],
    ['readings.save', { round: 'after-work-1' }, 'round'],
    ['readings.copy-forward', { round: 'someday' }, 'round'],
    ['readings.take-back', { fret: 99 }, 'fret'],
    ['house.save-gauge', { resolution: 0 }, 'resolution'],
    ['house.check-gauge', { shows: Infinity }, 'shows'],
    ['readings.conditions', { humidity: 101 }, 'humidity'],
    ['readings.conditions', { temperature: Number.NaN }, 'temperature'],
    ['readings.conditions', { tuning: ' ' }, 'tuning'],
    ['plan.target', { aim: Infinity }, 'aim'],
    ['work.answer', { by: '' }, 'by'],
    ['work.answer', { how: 'by pigeon' }, 'how'],
    ['work.step', { action: 'skip' }, 'action'],
    ['work.step', { ago: -1 }, 'ago'],
    ['work.move', { to: -1 }, 'to'],
    ['work.ask-change', { found: ' ' }, 'found'],
    ['work.remark', { words: '' }, 'words'],
    ['work.hand-on', { state: '' }, 'state'],
    ['work.correct-clock', { minutes: 1.5 }, 'minutes'],
    ['work.correct-clock', { reason: ' ' }, 'reason'],
    ['work.link', { purpose: 'everything' }, 'purpose'],
    ['hand-over.advice', { nextCheck: 'in spring' }, 'nextCheck'],
    ['hand-over.paid', { amountMinor: 1.5 }, 'amountMinor'],
    ['hand-over.tweak', { words: '' }, 'words'],
    ['hand-over.sign', { shown: 'abc' }, 'shown'],
    ['house.save-rules', { rules: { checkWeeks: 9 } }, 'rules.checkWeeks'],
    ['house.save-planning', { rules: { limits: { slotFloor: 20 } } }, 'rules.limits.slotFloor'],
    ['house.save-planning', { rules: { worth: { total: 0 } } }, 'rules.worth.total'],
    ['house.save-gateway', { gateway: { delay: -1 } }, 'gateway.delay'],
    ['hand-over.sign', { signer: ' ' }, 'signer'],
    ['hand-over.sign', { signature: '<svg onload=alert(1)>' }, 'signature'],
    ['hand-over.sign', { signature: [[{ x: -1, y: 0 }]] }, 'signature.0.0.x'],
  ])('%s with %o is refused at %s', (name, wrong, field) => {
    expect(problems(name, { ...GOOD[name], ...wrong })).toContain(field);
  });
});

describe('construction', () => {
  test.each([...KINDS])('the usual %s is one', (kind) => {
    expect(constructionSchema.safeParse(usualConstruction(kind)).success).toBe(true);
  });

  test.each<[string, Record<string, unknown>]>([
    ['a scale of inches', { scale: 25.5 }],
    ['no strings', { strings: [] }],
    ['a gauge of a rope', { strings: [1, 2, 3].map(() => ({ note: 'E2', gauge: 9, wound: true })) }],
    ['a note that is none', { strings: [1, 2, 3].map(() => ({ note: 'H2', gauge: 1, wound: true })) }],
    ['a bridge nobody knows', { bridge: 'drawbridge' }],
    ['half a fret', { frets: 20.5 }],
    ['three strings a course', { perCourse: 3 }],
  ])('%s is refused', (_what, wrong) => {
    expect(constructionSchema.safeParse({ ...usualConstruction('steel-acoustic'), ...wrong }).success).toBe(
      false,
    );
  });
});
