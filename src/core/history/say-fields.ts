import { MATTERS } from '../instrument/matters.ts';
import { SET_PAYERS } from '../job/set-payer.ts';
import { POSITIONS, STRINGS_STATES } from '../readings/conditions.ts';
import { STRING_AGES } from '../readings/set-on.ts';
import type { Construction } from '../instrument/construction.ts';
import { sayConstructionChange } from '../instrument/say-facts.ts';

/** What fields are called in a sentence. */
const FIELDS: Readonly<Record<string, string>> = {
  complaint: 'their words',
  touch: 'touch',
  plays: 'what they play',
  matters: 'for what it matters',
  setPaidBy: 'who pays for the set it needs first',
  wish: 'their wish',
  neededBy: 'needed by',
  hardDate: 'whether the date can move',
  hardReason: 'why then',
  limitMinor: 'their limit',
  name: 'the customer’s name',
  phone: 'their telephone',
  email: 'their e-mail',
  maker: 'maker',
  model: 'model',
  year: 'year',
  yearFrom: 'where the year was read',
  serial: 'serial number',
  kind: 'kind',
  construction: 'how it is built',
  strings: 'how its strings are',
  position: 'how it lies',
  tuning: 'tuning',
  setOn: 'string set',
  setAge: 'how old its strings are',
  temperature: 'temperature',
  humidity: 'humidity',
  pitch: 'pitch',
  methods: 'how it is read',
  gauges: 'with which gauges',
};

/** What is kept by a name, in words. */
const VALUES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  matters: MATTERS,
  setPaidBy: SET_PAYERS,
  strings: STRINGS_STATES,
  position: POSITIONS,
  setAge: STRING_AGES,
};

const text = (v: unknown): string => (typeof v === 'string' ? v : typeof v === 'number' ? String(v) : '');

const isConstruction = (v: unknown): v is Construction =>
  typeof v === 'object' && v !== null && Array.isArray((v as Partial<Construction>).strings);

interface Changed {
  readonly before: Readonly<Record<string, unknown>>;
  readonly after: Readonly<Record<string, unknown>>;
  readonly n: { readonly money: (minor: number) => string; readonly day: (day: string) => string };
}

/** Which fields changed, from what to what, in words. */
export function fieldsChanged({ before, after, n }: Changed): string {
  const said = (key: string, v: unknown): string =>
    v === null || v === undefined || v === ''
      ? 'nothing'
      : key === 'limitMinor'
        ? n.money(Number(v))
        : key === 'neededBy'
          ? n.day(text(v))
          : typeof v === 'boolean'
            ? v
              ? 'yes'
              : 'no'
            : (VALUES[key]?.[text(v)] ?? text(v));
  return Object.keys(after)
    .filter((k) => JSON.stringify(before[k]) !== JSON.stringify(after[k]))
    .map((k) => {
      const [was, now] = [before[k], after[k]];
      if (k === 'construction' && isConstruction(was) && isConstruction(now))
        return sayConstructionChange(was, now);
      const name = FIELDS[k] ?? k;
      return typeof after[k] === 'object' && after[k] !== null
        ? name
        : `${name}: ${said(k, after[k])} instead of ${said(k, before[k])}`;
    })
    .join('; ');
}
