import Papa from 'papaparse';
import { addDays, clockOn, isDay, startOfDay, type Day } from '../../core/days/zone.ts';
import type { AirSample } from '../../core/learn/air-log.ts';
import { fail, ok, type Result } from '../../core/result.ts';

/** Which comes first in a date with strokes: nobody can tell it from `3/4/2026`. */
export type DateOrder = 'day' | 'month';

/** What the file of a logger says. */
export interface AirFile {
  readonly samples: readonly AirSample[];
  /** lines that say nothing of the air, and why the first of them does not */
  readonly left: number;
  readonly why: { readonly line: number; readonly says: string } | null;
  readonly fahrenheit: boolean;
}

/** What could not be read: words for the person, or that the order of its dates has to be said first. */
export type AirTrouble = { readonly says: string } | { readonly ask: 'order' };

const MOST_LINES = 1_000_000;
const MOST_HEAD_LINES = 40;
const HEAD = {
  humidity: /hum|\brh\b|r\.h|feucht|%/i,
  temperature: /temp|°\s*[cf]\b|celsius|fahrenheit/i,
  date: /date|datum|\bday\b/i,
  time: /time|zeit|\bclock\b/i,
} as const;
const UNIVERSAL = /\b(?:utc|gmt)\b/i;
const IN_FAHRENHEIT = /°\s*f\b|\(f\)|fahrenheit|\bf$/i;
/** No shop is so warm by day and night, °C. */
const TOO_WARM = 45;

interface Head {
  readonly line: number;
  readonly humidity: number;
  readonly temperature: number | null;
  /** one column of date and time, or one of each */
  readonly when: readonly number[];
  readonly universal: boolean;
  readonly fahrenheit: boolean;
}

/** The columns a line names, where it names a time and a humidity. */
function headOf(cells: readonly string[], line: number): Head | null {
  const find = (what: RegExp, but: readonly number[] = []): number =>
    cells.findIndex((c, i) => !but.includes(i) && what.test(c));
  const humidity = find(HEAD.humidity);
  const temperature = find(HEAD.temperature, [humidity]);
  const date = find(HEAD.date, [humidity, temperature]);
  const time = find(HEAD.time, [humidity, temperature, date]);
  const when = [date, time].filter((i) => i >= 0);
  if (humidity < 0 || when.length === 0) return null;
  return {
    line,
    humidity,
    temperature: temperature < 0 ? null : temperature,
    when,
    universal: when.some((i) => UNIVERSAL.test(cells[i] ?? '')),
    fahrenheit: temperature >= 0 && IN_FAHRENHEIT.test((cells[temperature] ?? '').trim()),
  };
}

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(.*)$/;
const DOTTED = /^(\d{1,2})\.(\d{1,2})\.(\d{4}|\d{2})(.*)$/;
const STROKES = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4}|\d{2})(.*)$/;
const CLOCK =
  /^[T\s,]*(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?m?\.?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const UNIX = /^\d{10}(?:\d{3})?$/;

type Clock = (day: Day, minutes: number) => number;
const DAY_MS = 86_400_000;
const universal: Clock = (day, minutes) => Date.parse(`${day}T00:00:00Z`) + minutes * 60_000;
const two = (n: string): string => n.padStart(2, '0');
const dayOf = (year: string, month: string, day: string): string =>
  `${year.length === 2 ? `20${year}` : year}-${two(month)}-${two(day)}`;

/** The day a moment is written with and what follows it; null where it is none. */
function dayAndRest(text: string, order: DateOrder): readonly [day: string, rest: string] | null {
  const yearFirst = YEAR_FIRST.exec(text);
  if (yearFirst)
    return [dayOf(yearFirst[1] ?? '', yearFirst[2] ?? '', yearFirst[3] ?? ''), yearFirst[4] ?? ''];
  const dotted = DOTTED.exec(text);
  if (dotted) return [dayOf(dotted[3] ?? '', dotted[2] ?? '', dotted[1] ?? ''), dotted[4] ?? ''];
  const [, a = '', b = '', year = '', rest = ''] = STROKES.exec(text) ?? [];
  if (year === '') return null;
  return [order === 'day' ? dayOf(year, b, a) : dayOf(year, a, b), rest];
}

/** The clock of a zone, asked once a day: on days without a change of clocks every minute follows from midnight. */
function clockOfZone(zone: string): (day: Day, minutes: number) => number {
  const begins = new Map<Day, { readonly at: number; readonly even: boolean }>();
  return (day, minutes) => {
    let begin = begins.get(day);
    if (!begin) {
      const at = startOfDay(day, zone);
      begin = { at, even: startOfDay(addDays(day, 1), zone) - at === DAY_MS };
      begins.set(day, begin);
    }
    return begin.even ? begin.at + minutes * 60_000 : clockOn(day, minutes, zone);
  };
}

/** A moment as a logger writes it, by a clock where it names none; null where it is none. */
function momentOf(text: string, order: DateOrder, clockAt: Clock): number | null {
  if (UNIX.test(text)) return text.length === 10 ? Number(text) * 1000 : Number(text);
  const [day, rest] = dayAndRest(text, order) ?? ['', ''];
  if (!isDay(day)) return null;
  const clock = CLOCK.exec(rest);
  if (!clock) return null;
  const [, hour = '', minute = '', , half, offset] = clock;
  const h = half === undefined ? Number(hour) : (Number(hour) % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  if (h > 23 || Number(minute) > 59) return null;
  const minutes = h * 60 + Number(minute);
  if (offset === undefined) return clockAt(day, minutes);
  const ahead = /^z$/i.test(offset)
    ? 0
    : Number(`${offset[0] ?? '+'}1`) * (Number(offset.slice(1, 3)) * 60 + Number(offset.slice(-2)));
  return Date.parse(`${day}T00:00:00Z`) + (minutes - ahead) * 60_000;
}

const NUMBER = /^([+-]?\d+(?:[.,]\d+)?)\s*(?:%|°?\s*[CF])?(?:\s*RH)?$/i;
function numberOf(text: string | undefined): number | null {
  const found = NUMBER.exec((text ?? '').trim());
  return found ? Number((found[1] ?? '').replace(',', '.')) : null;
}

type Line = readonly [line: number, cells: readonly string[]];

/** What a line says, or why it says nothing. */
function sampleOf(
  cells: readonly string[],
  head: Head,
  order: DateOrder,
  clockAt: Clock,
): AirSample | string {
  const text = head.when
    .map((i) => (cells[i] ?? '').trim())
    .join(' ')
    .trim();
  const at = momentOf(text, order, clockAt);
  if (at === null) return `“${text.slice(0, 40)}” is no date and time`;
  const humidity = numberOf(cells[head.humidity]);
  if (humidity === null || humidity < 0 || humidity > 100)
    return `“${(cells[head.humidity] ?? '').slice(0, 20)}” is no humidity in %`;
  return { at, humidity, temperature: head.temperature === null ? null : numberOf(cells[head.temperature]) };
}

/** Which order dates with strokes are written in: what is told by a day over twelve or by their going on; null where both fit. */
function orderOf(lines: readonly Line[], head: Head): DateOrder | null {
  const pairs = lines.flatMap(([, cells]) => {
    const found = STROKES.exec(head.when.map((i) => (cells[i] ?? '').trim()).join(' '));
    return found ? [[Number(found[1]), Number(found[2]), found[3] ?? ''] as const] : [];
  });
  if (pairs.length === 0) return 'day';
  if (pairs.some(([a]) => a > 12)) return 'day';
  if (pairs.some(([, b]) => b > 12)) return 'month';
  return null;
}

const celsius = (f: number): number => ((f - 32) * 5) / 9;
const median = (of: readonly number[]): number => of.toSorted((a, b) => a - b)[of.length >> 1] ?? 0;

/** Temperatures in °C: what is headed so, or too warm for any shop, was written in °F. */
function inCelsius(samples: readonly AirSample[], said: boolean): Pick<AirFile, 'samples' | 'fahrenheit'> {
  const temperatures = samples.flatMap((s) => (s.temperature === null ? [] : [s.temperature]));
  const fahrenheit = said || (temperatures.length > 0 && median(temperatures) > TOO_WARM);
  return {
    fahrenheit,
    samples: samples.map((s) => {
      const t = s.temperature === null ? null : fahrenheit ? celsius(s.temperature) : s.temperature;
      return { ...s, temperature: t === null || t < -40 || t > 60 ? null : t };
    }),
  };
}

const DELIMITERS = [';', '\t', ',', '|'] as const;

const cellsOf = (text: string, delimiter: string, most: number): readonly (readonly string[])[] =>
  Papa.parse<string[]>(text, { skipEmptyLines: false, delimiter, preview: most }).data;

/** The line that names the columns, whatever a logger writes before it. */
const headIn = (lines: readonly (readonly string[])[]): Head | null =>
  lines.slice(0, MOST_HEAD_LINES).reduce<Head | null>((found, cells, i) => found ?? headOf(cells, i), null);

/**
 * Reads what a logger of temperature and humidity writes: a line that names the columns (whatever stands before it), then a line
 * a reading, with commas, semicolons or tabs.
 * @param zone whose clock a moment without one of its own is read by
 * @param order of day and month in dates with strokes, where the file does not tell
 */
export function readAirFile(
  text: string,
  zone: string,
  order: DateOrder | null,
): Result<AirFile, AirTrouble> {
  const plain = text.replace(/^\uFEFF/, '');
  const delimiter = DELIMITERS.find((d) => headIn(cellsOf(plain, d, MOST_HEAD_LINES)) !== null) ?? ',';
  const data = cellsOf(plain, delimiter, MOST_LINES + 1);
  if (data.length > MOST_LINES) return fail({ says: `It has more than ${MOST_LINES} lines.` });
  const head = headIn(data);
  if (!head)
    return fail({
      says: 'No line at its beginning names a time and a humidity, like “Time, Temperature, Humidity”.',
    });
  const lines = data
    .map((cells, i): Line => [i + 1, cells])
    .slice(head.line + 1)
    .filter(([, cells]) => cells.some((c) => c.trim() !== ''));
  const written = orderOf(lines, head) ?? order;
  if (written === null) return fail({ ask: 'order' });
  const clockAt = head.universal ? universal : clockOfZone(zone);
  const samples: AirSample[] = [];
  let why: AirFile['why'] = null;
  for (const [line, cells] of lines) {
    const read = sampleOf(cells, head, written, clockAt);
    if (typeof read === 'string') why ??= { line, says: read };
    else samples.push(read);
  }
  if (samples.length === 0)
    return fail({
      says: why
        ? `No line says anything of the air. Line ${why.line}: ${why.says}.`
        : 'There is no line of the air in it.',
    });
  return ok({ ...inCelsius(samples, head.fahrenheit), left: lines.length - samples.length, why });
}
