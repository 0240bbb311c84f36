import { HOUSE_SENTENCES } from './say-house.ts';
import { BENCH_SENTENCES } from './say-bench.ts';
import { HUNT_SENTENCES } from './say-hunt.ts';
import { findingOn } from '../inspection/findings.ts';
import { ENDS, type End } from '../hand-over/ends.ts';
import { VIEW_NAMES, type View } from '../instrument/outline.ts';
import { WAIT_NAMES, type Wait } from '../job/waiting.ts';
import { sayTurn } from '../neck/say-turn.ts';
import { PAYMENT_KINDS, type PaymentKind } from '../money/payments.ts';
import { QUANTITY_FACTS, type Quantity } from '../readings/quantities.ts';
import { sizeWords } from '../units/words-in.ts';
import { isRoundKind, roundName } from '../readings/rounds.ts';
import type { LogEntry } from './say-change.ts';
import { fieldsChanged } from './say-fields.ts';

/** What the things of a job are called, by what the log keeps of them. Empty where a thing is gone. */
export interface HistoryNames {
  readonly line: (id: number) => string;
  readonly item: (key: string) => string;
  readonly person: (id: number) => string;
  readonly place: (id: number) => string;
  readonly thing: (id: number) => string;
  readonly operation: (id: string) => string;
  readonly list: (id: string) => string;
  readonly money: (minor: number) => string;
  /** a day, `yyyy-mm-dd` */
  readonly day: (day: string) => string;
}

type Plain = Readonly<Record<string, unknown>>;

const list = (v: unknown): readonly string[] => (Array.isArray(v) ? v.map(text) : []);

/** Which strings went on: new ones, the old ones, or some of each. */
function stringsSaid(data: Plain): string {
  const ones = list(data['newOnes']);
  if (ones.length > 0) return `new strings (${ones.join(', ')})`;
  return data['fresh'] === true ? 'new strings' : 'the strings back';
}

function brokenSaid(data: Plain): string {
  const ones = list(data['broke']);
  if (ones.length === 0) return '';
  return `; string ${ones.join(', ')} broke${colon(data['brokeNote'])}`;
}

/** One entry, with what is read out of it. */
interface Told {
  readonly e: LogEntry;
  readonly data: Plain;
  readonly before: Plain;
  readonly after: Plain;
  readonly n: HistoryNames;
}

const plain = (v: unknown): Plain =>
  typeof v === 'object' && v !== null && !Array.isArray(v) ? (v as Plain) : {};
const text = (v: unknown): string => (typeof v === 'string' ? v : typeof v === 'number' ? String(v) : '');
const number = (v: unknown): number => (typeof v === 'number' ? v : Number(v));
const quoted = (v: unknown): string => (text(v) === '' ? '' : ` “${text(v)}”`);
const because = (v: unknown): string => (text(v) === '' ? '' : `, because: ${text(v)}`);
const colon = (v: unknown): string => (text(v) === '' ? '' : `: ${text(v)}`);
const or = (said: string, instead: string): string => (said === '' ? instead : said);

const ANSWERS: Readonly<Record<string, string>> = {
  fine: 'fine',
  watch: 'to watch',
  work: 'needs work',
  na: 'does not apply',
};

/** The line of the order an entry is about. */
const lineOf = ({ e, n, data }: Told): string =>
  or(n.line(number(e.entityId)), or(text(data['title']), 'a line of the order'));

/** Where a reading was taken: `as found: action at fret 12, string 6`. */
function readingPlace({ e }: Told): string {
  const [round = '', quantity = '', string = '0', fret = '0'] = e.entityId.split(':');
  const name =
    quantity in QUANTITY_FACTS ? QUANTITY_FACTS[quantity as Quantity].name.toLowerCase() : quantity;
  // The gap over fret 1 says its fret by itself.
  const fretSaid = fret !== '0' && quantity !== 'nut-gap';
  const at = [fretSaid && `fret ${fret}`, string !== '0' && `string ${string}`].filter(Boolean);
  const where = isRoundKind(round) ? `${roundName(round, '').toLowerCase()}: ` : '';
  return `${where}${name}${at.length > 0 ? ` at ${at.join(', ')}` : ''}`;
}

/** What was typed, with its unit where it does not show it. */
function typedWithUnit(of: Plain): string {
  const typed = text(of['typed']);
  const unit = text(of['unit']);
  return (unit === 'mm' || unit === 'cents') && /^[-\u2212+]?\d+(?:[.,]\d+)?$/.test(typed)
    ? `${typed} ${unit}`
    : typed;
}

function readingTaken(t: Told): string {
  const was = typedWithUnit(t.before);
  const is = typedWithUnit(t.after);
  return `read ${readingPlace(t)}: ${is}${was === '' ? '' : ` (before: ${was})`}`;
}

function itemAnswered({ e, n, before, after }: Told): string {
  const answer = text(after['answer']);
  const finding = text(after['finding']);
  const named = finding === '' ? '' : `, ${(findingOn(e.entityId, finding)?.name ?? finding).toLowerCase()}`;
  const was = text(before['answer']);
  const changed = was !== '' && was !== answer ? ` (before: ${ANSWERS[was] ?? was})` : '';
  return answer === ''
    ? `took the answer back to “${n.item(e.entityId)}”${changed}`
    : `found “${n.item(e.entityId)}” ${ANSWERS[answer] ?? answer}${named}${colon(after['note'])}${changed}`;
}

const WAITING = (v: unknown): string =>
  text(v) in WAIT_NAMES ? WAIT_NAMES[text(v) as Wait].name.toLowerCase() : text(v);

function jobMoved({ before, after, n }: Told): string {
  const said = [
    before['placeId'] !== after['placeId'] &&
      (after['placeId'] === null
        ? 'took it off its place'
        : `hung it at ${n.place(number(after['placeId']))}`),
    (before['waitingFor'] !== after['waitingFor'] || before['waitingNote'] !== after['waitingNote']) &&
      `it waits for ${WAITING(after['waitingFor'])}${colon(after['waitingNote'])}`,
    before['holderId'] !== after['holderId'] &&
      (after['holderId'] === null
        ? 'nobody has it in hand'
        : `${n.person(number(after['holderId']))} has it in hand`),
  ].filter((s) => s !== false);
  return said.length === 0 ? 'looked where it hangs' : said.join('; ');
}

const payment = ({ n }: Told, of: Plain): string =>
  `${PAYMENT_KINDS[text(of['kind']) as PaymentKind] ?? 'Payment'} of ${n.money(number(of['amount']))}${colon(of['how'])}`;

const ending = (v: unknown): string => (text(v) in ENDS ? ENDS[text(v) as End].name.toLowerCase() : text(v));

const discount = ({ n, after }: Told): string =>
  after['kind'] === 'none'
    ? 'took the discount back'
    : `took ${after['kind'] === 'share' ? `${number(after['value']) / 100} %` : n.money(number(after['value']))} off${because(after['reason'])}`;

const channel = (v: unknown): string => (text(v) === 'mail' ? 'e-mail' : 'text');
const MESSAGES: Readonly<Record<string, string>> = {
  estimate: 'the estimate',
  ready: 'that it is ready',
  'next-check': 'the next check',
  look: 'a look',
};
const message = ({ data }: Told): string =>
  `${MESSAGES[text(data['purpose'])] ?? text(data['purpose'])}${data['channel'] === undefined ? '' : ` by ${channel(data['channel'])}`}`;

const eighths = (v: unknown): string => `${sayTurn(number(v))} ${number(v) < 0 ? 'looser' : 'tighter'}`;

const mm = (v: unknown): string => (v === null || v === undefined ? '' : sizeWords(number(v)));

/** What each kind of entry says, after who did it. */
const SENTENCES: Readonly<Record<string, (t: Told) => string>> = {
  'job taken in': ({ data }) => `took it in:${quoted(data['complaint'])}`,
  'job moved': jobMoved,
  'job corrected': (t) => `corrected what was said: ${fieldsChanged(t)}${because(t.data['why'])}`,
  'customer changed': ({ before, after, data }) =>
    `put it on ${text(after['name'])} instead of ${text(before['name'])}${because(data['why'])}`,
  'instrument changed': (t) => `changed what it is: ${fieldsChanged(t)}`,
  'instrument sold': ({ after }) => `sold it to ${text(after['name'])}`,
  'thing corrected': ({ before, after, data }) =>
    (text(before['name']) === ''
      ? `added to what came with it: ${text(after['name'])}`
      : text(after['name']) === ''
        ? `took out of what came with it: ${text(before['name'])}`
        : `wrote ${text(after['name'])} instead of ${text(before['name'])}`) + because(data['why']),
  'receipt initialled': ({ data }) => `had what was left seen by ${text(data['name'])}`,
  'item answered': itemAnswered,
  'inspection finished': ({ data }) =>
    `finished the inspection${text(data['ending']) === '' ? '' : `: ${text(data['ending'])}`}`,
  'list chosen': ({ data, n }) => `chose the list ${n.list(text(data['after']))}`,
  'damage marked': ({ data }) =>
    `marked damage on the ${(VIEW_NAMES[text(data['view']) as View] ?? '').toLowerCase()}${colon(data['words'])}`,
  'damage mark changed': ({ after }) => `wrote of a mark of damage${colon(after['words'])}`,
  'damage mark taken away': () => 'took a mark of damage away',
  'photo added': ({ data, n }) =>
    data['item'] == null ? 'added a photo' : `added a photo to “${or(n.item(text(data['item'])), 'a line')}”`,
  'photo taken away': () => 'took a photo away',
  'part bagged': ({ data }) => `put ${text(data['name'])} into bag ${text(data['bag'])}`,
  'thing returned': ({ e, n, after }) => {
    const thing = or(n.thing(number(e.entityId)), 'a thing');
    return after['returned'] === true
      ? `gave back: ${thing}`
      : `wrote that ${thing} is not given back${colon(after['absence'])}`;
  },
  'reading taken': readingTaken,
  'reading taken back': (t) => `took a reading back, ${readingPlace(t)}${colon(t.before['typed'])}`,
  'readings carried forward': () => 'carried readings forward that nothing has moved',
  'conditions set': (t) => `said how it was read: ${fieldsChanged(t)}`,
  'target set': () => 'set what is aimed at on this job',
  'worth said': ({ data, n }) =>
    data['after'] === null
      ? 'took its worth back'
      : `said what it is worth: ${n.money(number(data['after']))}`,
  'plan chosen': ({ data }) => `chose the plan${quoted(data['after'])}${because(data['reason'])}`,
  'line accepted': ({ after }) => `took on the order: ${text(after['says'])}`,
  'line changed': ({ after }) => `changed on the order: ${text(after['change'])}${because(after['reason'])}`,
  'line declined': ({ after }) => `left it: ${text(after['says'])}${because(after['reason'])}`,
  'line added': ({ data, n }) =>
    `put on the order: ${n.operation(text(data['operation']))}${colon(data['detail'])}`,
  'done in passing': ({ data, n }) =>
    `did in passing, without a charge: ${n.operation(text(data['operation']))}${colon(data['detail'])}`,
  'line moved': (t) => `moved ${lineOf(t)} in the order`,
  'price changed': (t) =>
    `gave ${lineOf(t)} its own price, ${t.n.money(number(t.after['price']) + number(t.after['parts']))}${because(t.data['reason'])}`,
  'discount given': discount,
  'customer said yes': (t) =>
    `${or(text(t.data['by']), 'the customer')} said yes to ${lineOf(t)}${colon(t.data['how'])}`,
  'customer said no': (t) =>
    `${or(text(t.data['by']), 'the customer')} said no to ${lineOf(t)}${colon(t.data['how'])}`,
  'change asked': ({ data }) =>
    `asked about ${text(data['title'])}; found while inside: ${text(data['found'])}`,
  'options offered': () => 'put options before the customer',
  'offer withdrawn': () => 'took the options back',
  'option put on the order': ({ data }) => `put what was chosen on the order:${quoted(data['name'])}`,
  'option chosen': ({ data }) => `wrote down what ${or(text(data['by']), 'the customer')} chose`,
  'what-if kept': ({ data }) => `kept a try${quoted(data['name'])}`,
  'what-if dropped': ({ data }) => `dropped a try${quoted(data['name'])}`,
  'place heard': () => 'wrote down what was heard where it is played',
  'step start': (t) =>
    `began ${lineOf(t)}${text(t.data['without']) === '' ? '' : `, without a reading: ${text(t.data['without'])}`}`,
  'step pause': (t) => `paused ${lineOf(t)}`,
  'step finish': (t) => `finished ${lineOf(t)}`,
  'step reopen': (t) => `opened ${lineOf(t)} again`,
  'step undone': (t) => `took a slip back at ${lineOf(t)}`,
  'step interrupted': (t) => `left ${lineOf(t)} for something else`,
  'clock corrected': (t) => `put the clock of ${lineOf(t)} right${because(t.after['reason'])}`,
  'rod turned': ({ data }) =>
    `turned the rod ${eighths(data['eighths'])}${data['after'] === null || data['after'] === undefined ? '' : `; relief since: ${mm(data['after'])}`}`,
  'rod turn taken back': ({ data }) => `took back a turn of the rod, ${eighths(data['eighths'])}`,
  'strings taken off': ({ data }) => `took the strings off${because(data['reason'])}`,
  'strings put on': ({ data }) => `put ${stringsSaid(data)} on${colon(data['setName'])}${brokenSaid(data)}`,
  'accident recorded': ({ data }) =>
    `wrote down an accident: ${text(data['happened'])} ${text(data['remedy'])}`.trim(),
  'accident changed': ({ after }) => `changed what is written of an accident: ${text(after['happened'])}`,
  'remark made': ({ after }) =>
    `${after['kind'] === 'question' ? 'asked' : 'noted'}:${quoted(after['words'])}`,
  'remark answered': ({ after }) => `answered:${quoted(after['answer'])}`,
  'job handed on': ({ n, after, data }) =>
    `passed it on to ${n.person(number(after['holderId']))}${colon(data['state'])}`,
  'step put': ({ data, after, n }) =>
    after['worker'] === null && after['at'] === null && (after['minutes'] ?? null) === null
      ? 'gave a step back to the planner'
      : `put a step${after['worker'] === null ? '' : ` to ${n.person(number(after['worker']))}`}${after['at'] === null ? '' : ' on a time of its own'}${typeof after['minutes'] === 'number' ? ` for ${after['minutes']} minutes` : ''}${data['before'] ? ', which was put elsewhere before' : ''}`,
  'date promised': ({ data }) =>
    `promised it for ${text(data['day'])}${typeof data['chance'] === 'number' ? ` (${Math.round(100 * data['chance'])} in 100)` : ''}`,
  'link made': ({ data }) => `made a link for the customer to the ${text(data['purpose'])}`,
  'link taken back': ({ data }) => `took the customer’s link to the ${text(data['purpose'])} back`,
  'message written': (t) => `wrote to the customer: ${message(t)}`,
  'customer called': (t) =>
    `called the customer: ${message(t)}${t.data['reached'] === true ? '' : ', nobody answered'}${colon(t.data['note'])}`,
  'message sent again': (t) => `sent again: ${message(t)}`,
  'customer’s file taken out': () => 'took out what is kept of a customer',
  'log taken out': () => 'took out the log',
  'names withdrawn': ({ data }) => `withdrew ${list(data['what']).join(', ')}${because(data['why'])}`,
  'customer forgotten': ({ data }) =>
    `forgot a customer: names withdrawn from ${text(data['jobs'])} jobs${because(data['why'])}`,
  'message delivered': (t) => `delivered: ${message(t)}`,
  'message failed': (t) => `could not deliver: ${message(t)}${colon(t.data['trouble'])}`,
  'bench checked': ({ after }) =>
    `made the bench check${text(after['exception']) === '' ? '' : `; explained: ${text(after['exception'])}`}`,
  'bench checked again': () => 'put their name to the bench check as well',
  'advice written': () => 'wrote the advice',
  'ending said': ({ after }) => `said how it ends: ${ending(after['ending'])}${colon(after['note'])}`,
  'job ended': ({ after }) =>
    `ended it without a signature: ${ending(after['ending'])}${colon(after['note'])}`,
  'job opened again': ({ data }) => `opened it again${because(data['why'])}`,
  'job reopened': ({ data }) => `opened it again after the signature:${quoted(data['words'])}`,
  paid: (t) => `wrote down: ${payment(t, t.after)}`,
  'payment taken back': (t) => `took back: ${payment(t, t.before)}${because(t.data['why'])}`,
  'invoice made': ({ after, n }) =>
    `made invoice ${text(after['number'])} over ${n.money(number(after['toPay']))}`,
  'invoice cancelled': ({ e, after }) =>
    `cancelled invoice ${e.entityId} by ${text(after['by'])}${because(after['reason'])}`,
  signed: ({ data }) => `had it signed by ${text(data['signer'])}: sealed and closed`,
};

/** The kinds of entry that have a sentence of their own. */
export const SAID_KINDS: ReadonlySet<string> = new Set([
  ...Object.keys(SENTENCES),
  ...Object.keys(HOUSE_SENTENCES),
  ...Object.keys(HUNT_SENTENCES),
  ...Object.keys(BENCH_SENTENCES),
]);

/**
 * Says an entry of a job's log as a sentence about who did it: with names, places and units, without ids or field names.
 * @returns null for a kind that has no sentence
 * @example a reading → `read as found: action at fret 12, string 6: 5/64`
 */
export function saySentence(e: LogEntry, n: HistoryNames): string | null {
  const data = plain(e.data);
  const told: Told = { e, data, before: plain(data['before']), after: plain(data['after']), n };
  const house = HOUSE_SENTENCES[e.kind];
  const hunt = HUNT_SENTENCES[e.kind]?.(data) ?? BENCH_SENTENCES[e.kind]?.(data);
  return (
    SENTENCES[e.kind]?.(told) ?? hunt ?? house?.({ entityId: e.entityId, data, person: n.person }) ?? null
  );
}
