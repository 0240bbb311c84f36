/** Something with a moment, for a calendar: an hour and a half at most, or a whole day. */
export interface CalendarEntry {
  /** the same for the same thing, so that a second file moves it and does not double it */
  readonly uid: string;
  readonly summary: string;
  readonly description: string;
  readonly where: string;
  /** a moment (ms since the epoch) or a day (`yyyy-mm-dd`) */
  readonly at: number | string;
  readonly minutes: number;
  /** how often it was moved before: a calendar takes the highest */
  readonly sequence?: number;
  /** when the file was written, ms since the epoch */
  readonly stamp: number;
}

const utc = (ms: number): string =>
  new Date(ms)
    .toISOString()
    .replace(/[-:]/g, '')
    .replace(/\.\d{3}/, '');

const plain = (text: string): string =>
  text
    .replace(/\\/g, '\\\\')
    .replace(/\r\n|[\n\r\v\f\u0085\u2028\u2029]/g, '\\n')
    .replace(/([,;])/g, '\\$1');

const bytes = (text: string): number => {
  let count = 0;
  for (const c of text) {
    const code = c.codePointAt(0) ?? 0;
    count += code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
  }
  return count;
};

/** A content line folded at 75 bytes, never inside a character (RFC 5545, 3.1). */
function fold(text: string): string {
  const lines: string[] = [];
  let current = '';
  for (const c of text) {
    if (bytes(current) + bytes(c) > 75) {
      lines.push(current);
      current = ' ';
    }
    current += c;
  }
  return [...lines, current].join('\r\n');
}

const nextDay = (day: string): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10).replace(/-/g, '');

/** An entry's own lines. */
function eventLines(e: CalendarEntry): string[] {
  const whole = typeof e.at === 'string';
  if (whole ? Number.isNaN(Date.parse(`${e.at}T00:00:00Z`)) : !Number.isFinite(e.at))
    throw new RangeError('an entry needs a moment or a day');
  const when =
    typeof e.at === 'string'
      ? [`DTSTART;VALUE=DATE:${e.at.replace(/-/g, '')}`, `DTEND;VALUE=DATE:${nextDay(e.at)}`]
      : [`DTSTART:${utc(e.at)}`, `DTEND:${utc(e.at + e.minutes * 60_000)}`];
  return [
    'BEGIN:VEVENT',
    `UID:${e.uid}`,
    `DTSTAMP:${utc(e.stamp)}`,
    `SEQUENCE:${e.sequence ?? 0}`,
    ...when,
    `SUMMARY:${plain(e.summary)}`,
    `DESCRIPTION:${plain(e.description)}`,
    `LOCATION:${plain(e.where)}`,
    'END:VEVENT',
  ];
}

/** Lines of a calendar between its beginning and its end, folded. */
const calendar = (lines: readonly string[]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Rubrica//Rubrica//EN',
    'CALSCALE:GREGORIAN',
    ...lines,
    'END:VCALENDAR',
    '',
  ]
    .map((l) => (l === '' ? l : fold(l)))
    .join('\r\n');

/**
 * One entry as an iCalendar file (RFC 5545).
 * @throws RangeError when the moment is none
 */
export const calendarFile = (e: CalendarEntry): string => calendar(eventLines(e));

/**
 * Many entries as one calendar that is asked for again and again. Moments are in UTC; the zone says how they are meant to be
 * shown.
 * @throws RangeError when a moment is none
 */
export const calendarFeed = (name: string, zone: string, entries: readonly CalendarEntry[]): string =>
  calendar([
    `X-WR-CALNAME:${plain(name)}`,
    `X-WR-TIMEZONE:${plain(zone)}`,
    'REFRESH-INTERVAL;VALUE=DURATION:PT15M',
    ...entries.flatMap(eventLines),
  ]);
