import { isDay } from '../days/zone.ts';
import { fail, ok, type Result } from '../result.ts';
import { parseLength } from '../units/parse-length.ts';
import type { ItemFacts } from './fits.ts';
import { readGauges, sayGauges, type PacketString } from './gauges.ts';
import { sortOf, type FactType, type SortId } from './sorts.ts';

type Fact = ItemFacts[string];

/** The largest blank, coil or crown anybody keeps, mm. */
const LONGEST = 3000;

function readLength(text: string): Result<Fact, string> {
  const read = parseLength(text, 'mm');
  if (!read.ok || read.value.mm <= 0 || read.value.mm > LONGEST)
    return fail('A length, like 3 mm or 1/8 in.');
  return ok(read.value.mm);
}

const READ: Readonly<Record<FactType, (text: string) => Result<Fact, string>>> = {
  length: readLength,
  gauges: readGauges,
  number: (text) =>
    /^\d{1,6}(?:[.,]\d{1,2})?$/.test(text)
      ? ok(Number(text.replace(',', '.')))
      : fail('A number, like 320 or 2.5.'),
  day: (text) => (isDay(text) ? ok(text) : fail('A day, like 2027-03-31.')),
  text: (text) => ok(text),
};

/**
 * What is said of an item as its sort keeps it: lengths in mm, strings by their gauges.
 * @param typed by fact, as it was typed; empty where nothing is said
 * @returns the facts, or what is wrong by fact
 */
export function readFacts(
  sort: SortId,
  typed: Readonly<Record<string, string>>,
): Result<ItemFacts, Readonly<Record<string, string>>> {
  const facts: Record<string, Fact> = {};
  const wrong: Record<string, string> = {};
  for (const [id, fact] of Object.entries(sortOf(sort).facts)) {
    const text = (typed[id] ?? '').trim();
    if (text === '') {
      if (fact.needed) wrong[id] = 'Without it nobody can say what it fits.';
      continue;
    }
    const read = READ[fact.type](text);
    if (read.ok) facts[id] = read.value;
    else wrong[id] = read.error;
  }
  if (sort === 'string' && Array.isArray(facts['strings']) && facts['strings'].length > 1)
    wrong['strings'] = 'One string: a packet of several is a set.';
  return Object.keys(wrong).length > 0 ? fail(wrong) : ok(facts);
}

const mm = (v: number): string => `${Math.round(v * 1000) / 1000} mm`;

/** A fact as it is typed: what it says is read back to the same. */
export function sayFact(type: FactType, value: Fact | undefined): string {
  if (value === undefined) return '';
  if (typeof value === 'object') return sayGauges(value as readonly PacketString[]);
  return type === 'length' && typeof value === 'number' ? mm(value) : String(value);
}

/**
 * All facts of an item in one line: `53w 42w 32w 24w 16p 12p, bronze`.
 * @param sayDay how a day (`yyyy-mm-dd`) is written; as it is kept where nothing is said, as in a file
 */
export const sayFacts = (
  sort: SortId,
  facts: ItemFacts,
  sayDay: (day: string) => string = (day) => day,
): string =>
  Object.entries(sortOf(sort).facts)
    .map(([id, { type, label }]) => {
      const kept = sayFact(type, facts[id]);
      const said = type === 'day' && kept !== '' ? sayDay(kept) : kept;
      return said === '' || (type !== 'length' && type !== 'day' && type !== 'number')
        ? said
        : `${label.toLowerCase()} ${said}`;
    })
    .filter((s) => s !== '')
    .join(', ');
