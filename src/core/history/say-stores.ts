import { sayMove } from '../stock/say-move.ts';

type Plain = Readonly<Record<string, unknown>>;
type Entry = { readonly data: Plain };

const text = (v: unknown): string => (typeof v === 'string' ? v : '');
const plain = (v: unknown): Plain => (typeof v === 'object' && v !== null ? (v as Plain) : {});
const from = ({ data }: Entry): string => ` at ${text(data['supplier'])}`;

/** What each kind of change of the stores says, after who did it. */
export const STORES_SENTENCES: Readonly<Record<string, (e: Entry) => string>> = {
  'item kept': ({ data }) => {
    const after = plain(data['after']);
    return `${data['before'] === null ? 'put on the shelves' : after['retired'] === true ? 'keeps no longer' : 'changed on the shelves'}: ${text(after['name'])}`;
  },
  'stock moved': ({ data }) => sayMove(data),
  'part wanted': ({ data }) =>
    data['wanted'] === true
      ? `said that it waits for ${text(data['many'])} of ${text(data['item'])}`
      : `said that it waits for ${text(data['item'])} no longer`,
  'order written': ({ data }) => `wrote an order${from({ data: plain(data['after']) })}`,
  'order placed': (e) =>
    `${e.data['how'] === 'mail' ? 'ordered by e-mail' : 'ordered'}${from(e)}${text(e.data['expected']) === '' ? '' : `, for ${text(e.data['expected'])}`}`,
  'order not placed': (e) => `took back that something was ordered${from(e)}`,
  'order came': (e) => `said what came of an order${from(e)}`,
  'order ended': (e) => `said that the rest of an order does not come${from(e)}`,
  'order goes on': (e) => `said that the rest of an order comes after all${from(e)}`,
  'supplier kept': ({ data }) => `changed how ${text(data['name'])} is reached`,
};
