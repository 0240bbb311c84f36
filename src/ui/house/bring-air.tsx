'use client';

import { useState } from 'react';
import type { AirFile, DateOrder } from '../../contracts/formats/air-file.ts';
import type { AirSample } from '../../core/learn/air-log.ts';
import { useSend } from '../data/use-send.ts';
import { FileField } from '../kit/file-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { dayOf, sayDate } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

interface Read {
  readonly name: string;
  readonly text: string;
  readonly file: AirFile | null;
  readonly hours: readonly AirSample[];
  readonly order: DateOrder | null;
}

const ORDERS = { day: 'the day first', month: 'the month first' } as const;
const HOUR_MS = 3_600_000;
const span = (of: readonly number[], unit: string): string =>
  of.length === 0 ? '' : `${Math.round(Math.min(...of))} to ${Math.round(Math.max(...of))} ${unit}`;

/** What a file comes to, in words. */
function sayFile({ file, hours }: Read): string {
  const [first, last] = [hours[0], hours.at(-1)];
  if (!file || !first || !last) return '';
  const temperatures = hours.flatMap((h) => (h.temperature === null ? [] : [h.temperature]));
  const air = [
    span(
      hours.map((h) => h.humidity),
      '%',
    ),
    span(temperatures, '°C'),
  ].filter((s) => s !== '');
  const fahrenheit = file.fahrenheit ? ' Its temperatures are in °F and were counted over.' : '';
  const left = file.why
    ? ` ${file.left === 1 ? '1 line says nothing of the air and is left out' : `${file.left} lines say nothing of the air and are left out`}; line ${file.why.line}: ${file.why.says}.`
    : '';
  return `${hours.length} hours from ${sayDate(dayOf(first.at))} to ${sayDate(dayOf(last.at))}, ${air.join(', ')}.${fahrenheit}${left}`;
}

/** Reads a file as it was chosen, or again once the order of its dates is said. */
function useReading(zone: string) {
  const [read, setRead] = useState<Read | null>(null);
  const [wrong, setWrong] = useState('');
  const take = async (name: string, text: string, order: DateOrder | null) => {
    const [{ readAirFile }, { hoursOf }, { MOST_AIR_HOURS }] = await Promise.all([
      import('../../contracts/formats/air-file.ts'),
      import('../../core/learn/air-log.ts'),
      import('../../contracts/commands/house/air.ts'),
    ]);
    const done = readAirFile(text, zone, order);
    const hours = done.ok ? hoursOf(done.value.samples) : [];
    const says = done.ok
      ? hours.length > MOST_AIR_HOURS
        ? 'It holds more than two years. Take it in by the year.'
        : ''
      : 'says' in done.error
        ? done.error.says
        : '';
    setWrong(says);
    setRead(says === '' ? { name, text, order, hours, file: done.ok ? done.value : null } : null);
  };
  return { read, wrong, take, clear: () => setRead(null) };
}

/** Takes in what a logger of temperature and humidity wrote down. */
export function BringAir({ zone }: { readonly zone: string }) {
  const { read, wrong, take, clear } = useReading(zone);
  const { give, busy, trouble } = useSend();
  const [said, setSaid] = useState('');
  const keep = async () => {
    if (!read) return;
    const hours = read.hours.map((h): [number, number, number | null] => [
      Math.round(h.at / HOUR_MS),
      h.humidity,
      h.temperature,
    ]);
    const done = await give('house.bring-air', { name: read.name.slice(0, 120), hours });
    if (!done) return;
    setSaid(
      `${done.added} hours were taken in${done.known > 0 ? `; ${done.known} were known already and stay as they were` : ''}.`,
    );
    clear();
  };
  return (
    <section aria-labelledby="bring-air" className="space-y-3">
      <h2 id="bring-air" className="text-xl">
        Take in what a logger wrote down
      </h2>
      <p className="text-quiet">
        Its file as CSV, with a line that names a time and a humidity; a temperature where there is one.
      </p>
      <FileField
        label="The logger’s file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        wrong={wrong && `${wrong} Nothing was changed.`}
        onFile={(file) => {
          setSaid('');
          void file.text().then((text) => take(file.name, text, null));
        }}
      />
      <Trouble trouble={trouble} />
      <p role="status">{read?.file ? sayFile(read) : said}</p>
      {read && (read.order !== null || !read.file) && (
        <PillChoice
          legend="Its dates can be read in two ways. What comes first in them?"
          value={read.order}
          options={ORDERS}
          onChange={(order) => void take(read.name, read.text, order)}
        />
      )}
      {read?.file && (
        <div className="flex gap-3">
          <button type="button" className="button button-main" disabled={busy} onClick={() => void keep()}>
            Take it in
          </button>
          <button type="button" className="button" onClick={clear}>
            Leave it
          </button>
        </div>
      )}
    </section>
  );
}
