import { ORIGINAL_PARTS, PART_STATES, type OriginalPart, type PartState } from '../learn/originality.ts';
import { WATCHED, type WatchedId } from '../learn/watched.ts';
import { STORES_SENTENCES } from './say-stores.ts';

type Plain = Readonly<Record<string, unknown>>;

/** A change of the house: what was kept with it, and whom or what it is about by number. */
export interface HouseEntry {
  readonly entityId: string;
  readonly data: Plain;
  readonly person: (id: number) => string;
}

const plain = (v: unknown): Plain => (typeof v === 'object' && v !== null ? (v as Plain) : {});
const text = (v: unknown): string => (typeof v === 'string' ? v : typeof v === 'number' ? String(v) : '');
const colon = (v: unknown): string => (text(v) === '' ? '' : `: ${text(v)}`);
const whom = ({ entityId, person }: HouseEntry): string => person(Number(entityId)) || 'somebody';

/** What fields of the shop and of people are called on the screen. */
const FIELDS: Readonly<Record<string, string>> = {
  name: 'name',
  address: 'address',
  phone: 'telephone',
  email: 'e-mail',
  web: 'web',
  foot: 'words at the foot of papers',
  currency: 'currency',
  tax: 'tax',
  hourly: 'price by the hour',
  minimum: 'least price',
  firstNumber: 'first number',
  zone: 'time zone',
  dates: 'how days are written',
  firstWeekday: 'first weekday',
  heights: 'unit of heights',
  paper: 'paper',
  initials: 'letters',
  role: 'role',
  skill: 'what they can be given',
  hours: 'hours',
};

/** The fields of a change that differ, by name: `: currency, tax`. */
function fields({ data }: HouseEntry): string {
  const [before, after] = [plain(data['before']), plain(data['after'])];
  const changed = Object.keys(FIELDS).filter(
    (k) => k in after && JSON.stringify(before[k]) !== JSON.stringify(after[k]),
  );
  return changed.length === 0 ? '' : `: ${changed.map((k) => FIELDS[k] ?? k).join(', ')}`;
}

/** What is watched, in words: `Lowest fret, not under 0.60 mm`. */
const watchSaid = (data: Plain): string =>
  `${WATCHED[text(data['what']) as WatchedId]?.name ?? text(data['what'])}, not ${data['side'] === 'below' ? 'under' : 'over'} ${Number(data['limit'] ?? 0).toFixed(2)} mm`;
const partSaid = (data: Plain): string =>
  `${ORIGINAL_PARTS[text(data['part']) as OriginalPart] ?? text(data['part'])} ${PART_STATES[text(data['state']) as PartState] ?? ''}`;
/** A part inside in words: `Tone condenser, 22 nF: lug 3 to ground`. */
const insideSaid = (data: Plain): string => {
  const value = text(data['value']);
  return `${text(data['name'])}${value === '' ? '' : `, ${value}`}${colon(data['wires'])}`;
};
const noted = (what: string) => (e: HouseEntry) => `kept ${what}${colon(e.data['note'])}`;
const said = (words: string) => () => words;

/** What each kind of change of the house says, after who did it. */
export const HOUSE_SENTENCES: Readonly<Record<string, (e: HouseEntry) => string>> = {
  'shop changed': (e) => `changed the shop${fields(e)}`,
  'hand-over rules changed': said('changed how the shop hands over'),
  'message gateway changed': said('changed what the simulated gateway does'),
  'messages changed': said('changed how messages are sent, or their words'),
  'reading habits changed': said('changed how the shop reads'),
  'planning rules changed': said('changed how the shop plans'),
  'places changed': said('changed the places'),
  'first day changed': said('went on with the first day'),
  'logo changed': ({ data }) => (data['after'] === null ? 'took the logo away' : 'changed the logo'),
  'opening changed': said('changed when the shop is open'),
  'week changed': said('changed how the week is planned'),
  'watch set': ({ data }) => `watches on ${text(data['instrument'])}: ${watchSaid(data)}`,
  'watch changed': ({ data }) => `changed what is watched on ${text(data['instrument'])}: ${watchSaid(data)}`,
  'watch ended': ({ data }) => `watches on ${text(data['instrument'])} no longer: ${watchSaid(data)}`,
  'originality said': ({ data }) =>
    `said of ${text(data['instrument'])}: ${partSaid(data)}${colon(data['knownBy'])}`,
  'part kept': ({ data }) =>
    `keeps of ${text(data['instrument'])}: ${text(data['name'])}, ${text(data['place'])}`,
  'kept part changed': ({ data }) =>
    text(data['gone']) === ''
      ? `changed what is said of a part of ${text(data['instrument'])}: ${text(data['name'])}, ${text(data['place'])}`
      : `let a part of ${text(data['instrument'])} go, ${text(data['name'])}${colon(data['gone'])}`,
  'inside said': ({ data }) => `wrote down what is inside ${text(data['instrument'])}: ${insideSaid(data)}`,
  'inside changed': ({ data }) =>
    text(data['gone']) === ''
      ? `changed what is said of inside ${text(data['instrument'])}: ${insideSaid(data)}`
      : `took out of ${text(data['instrument'])}: ${text(data['name'])}${colon(data['gone'])}`,
  ...STORES_SENTENCES,
  'air brought in': ({ data }) => `took in what a logger wrote down of the air${colon(data['name'])}`,
  'air taken out': ({ data }) => `took what a logger wrote down of the air out again${colon(data['name'])}`,
  'learned changed': said('put away what the shop’s work proposed'),
  'away said': (e) =>
    `said that ${whom(e)} is not here from ${text(e.data['from'])} to ${text(e.data['to'])}${colon(e.data['why'])}`,
  'away taken back': (e) =>
    `took back that ${whom(e)} is not here from ${text(e.data['from'])} to ${text(e.data['to'])}`,
  'longer said': (e) =>
    `said that ${whom(e)} works on ${text(e.data['day'])} from ${text(e.data['from'])} to ${text(e.data['to'])}`,
  'longer taken back': (e) => `took back that ${whom(e)} works longer on ${text(e.data['day'])}`,
  'calendar link made': said('made the link of their calendar'),
  'calendar link ended': said('ended the link of their calendar'),
  'plan taken': (e) => `took a plan of the week that was tried${colon(e.data['why'])}`,
  'periods changed': said('changed how long what is kept'),
  'doors changed': said('changed how long an untouched tablet stays signed in'),
  'copies changed': said('changed how copies of the record are made'),
  'kind saved': ({ data }) => `kept the kind ${text(data['name'])}`,
  'kind retired': ({ data }) =>
    `${data['retired'] === true ? 'no longer offers' : 'offers again'} the kind ${text(data['name'])}`,
  'kind deleted': ({ data }) => `deleted a kind nobody used${colon(data['name'])}`,
  'checklist saved': ({ data }) => `kept the checklist ${text(data['list'])}, ${text(data['items'])} items`,
  'targets saved': noted('the targets'),
  'care saved': noted('what may touch what'),
  'operations saved': noted('the operations'),
  'gauge kept': ({ data }) => `kept the gauge ${text(data['name'])}`,
  'gauge checked': ({ data }) =>
    `checked a gauge: it shows ${text(data['shows'])} where ${text(data['reference'])} is right`,
  'person added': ({ data }) => `added ${text(data['name'])} to the shop`,
  'person changed': (e) => `changed ${whom(e)}${fields(e)}`,
  'person left': (e) => `said that ${whom(e)} has left`,
  'person came back': (e) => `said that ${whom(e)} is back`,
  'PIN set': (e) => `gave ${whom(e)} another PIN`,
  'own PIN changed': said('changed their own PIN'),
  'clock set': ({ data }) =>
    `saw the machine’s clock set ${Number(data['minutes']) > 0 ? 'forward' : 'back'} by ${Math.abs(Number(data['minutes']))} min, and kept the length of what ran`,
  'secret changed': said('changed the house’s secret'),
  'signed in': said('signed in'),
  'signed out': said('signed out'),
  'wrong PIN': (e) => `wrong PIN for ${whom(e)}`,
  'tablet paired': ({ data }) => `paired the tablet ${text(data['name'])}`,
  'customers taken out': said('took out the book of customers'),
  'instruments taken out': said('took out the book of instruments'),
  'jobs taken out': said('took out a list of jobs'),
  'view kept': ({ data }) => `kept a view of the jobs${colon(data['name'])}`,
  'view dropped': ({ data }) => `dropped a view of the jobs${colon(data['name'])}`,
  'job taken out': ({ data }) => `took out job ${text(data['name'])} as a file`,
  'signed out everywhere': said('signed out on every other tablet'),
  'bell quieted': said('saw what the bell told'),
  'pairing code made': said('made a pairing code'),
  'device renamed': ({ data }) => `called the tablet ${text(data['before'])} now ${text(data['after'])}`,
  'device sent away': ({ data }) => `sent the tablet ${text(data['name'])} away`,
  'job brought in': said('brought the job in from a file'),
  'customers brought in': said('brought customers in from a list'),
  'instruments brought in': said('brought instruments in from a list'),
  'file taken back': ({ data }) =>
    `took out again what a file had brought in: ${['job', 'instrument', 'customer']
      .map((of) => [Number(data[`${of}s`]), of] as const)
      .filter(([many]) => many > 0)
      .map(([many, of]) => `${many} ${of}${many === 1 ? '' : 's'}`)
      .join(', ')}`,
  'customers joined': said('joined two entries of one customer'),
  'customers kept apart': said('said that two customers are not the same'),
  'customers taken apart': said('took two customers apart again'),
  'instruments joined': said('joined two entries of one instrument'),
  'instruments kept apart': said('said that two instruments are not the same'),
  'instruments taken apart': said('took two instruments apart again'),
};
