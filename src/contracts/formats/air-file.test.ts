import { readAirFile } from './air-file.ts';

const ZONE = 'Pacific/Auckland';
const read = (text: string, order: 'day' | 'month' | null = null, zone = 'UTC') => {
  const done = readAirFile(text, zone, order);
  if (!done.ok) throw new Error(JSON.stringify(done.error));
  return done.value;
};
const trouble = (text: string) => {
  const done = readAirFile(text, 'UTC', null);
  return done.ok ? null : done.error;
};
const FIVE_PAST_TWO = Date.UTC(2026, 2, 14, 14, 5);

test.each([
  ['year first', 'Time,Humidity', '2026-03-14 14:05,44.5'],
  ['with a T and seconds', 'timestamp,rh', '2026-03-14T14:05:00,44.5'],
  ['with its own zone', 'Time,Humidity', '2026-03-14T16:05:00+02:00,44.5'],
  ['in universal time', 'Time (UTC),Humidity', '2026/03/14 14:05,44.5'],
  ['points between', 'Datum;Luftfeuchte %', '14.03.2026 14:05;"44,5"'],
  ['day first', 'Date,Time,Humidity (%)', '14/03/2026,14:05,44.5 %'],
  ['month first', 'Date/Time,Humidity(%RH)', '03/14/26 02:05:00 PM,44.5'],
  ['seconds since 1970', 'time\tRH', `${FIVE_PAST_TWO / 1000}\t44.5`],
])('a moment as loggers write it: %s', (_name, head, line) => {
  expect(read(`${head}\n${line}\n`).samples).toEqual([
    { at: FIVE_PAST_TWO, humidity: 44.5, temperature: null },
  ]);
});

test('by the clock of the shop, over the nights its clocks change', () => {
  const at = (time: string) => read(`Time,Humidity\n${time},40\n`, null, ZONE).samples[0]?.at;
  expect(at('2026-04-04 12:00')).toBe(Date.UTC(2026, 3, 3, 23));
  expect(at('2026-04-05 12:00')).toBe(Date.UTC(2026, 3, 5, 0));
  expect(at('2026-09-27 12:00')).toBe(Date.UTC(2026, 8, 26, 23));
});

test('whatever stands before the line that names the columns; a column of numbers is no time', () => {
  const text = 'Logger 7\nSerial,0013\n\nNo,Date Time,Temp (°C),Humidity\n1,2026-03-14 14:05,20.5,44\n';
  expect(read(text).samples).toEqual([{ at: FIVE_PAST_TWO, humidity: 44, temperature: 20.5 }]);
});

test('which of day and month comes first is asked where nothing tells it', () => {
  const text = 'Time,Humidity\n3/4/2026 10:00,40\n3/5/2026 10:00,41\n';
  expect(trouble(text)).toEqual({ ask: 'order' });
  expect(read(text, 'day').samples[0]?.at).toBe(Date.UTC(2026, 3, 3, 10));
  expect(read(text, 'month').samples[0]?.at).toBe(Date.UTC(2026, 2, 4, 10));
});

test('degrees Fahrenheit by their head or because no shop is so warm', () => {
  const said = read('Time,Temperature (°F),Humidity\n2026-03-14 14:05,32,44\n');
  expect(said).toMatchObject({ fahrenheit: true, samples: [{ temperature: 0 }] });
  const warm = read('Time,Temperature,Humidity\n2026-03-14 14:05,68,44\n2026-03-14 15:05,70,44\n');
  expect(warm.fahrenheit).toBe(true);
  expect(warm.samples[0]?.temperature).toBeCloseTo(20, 9);
  expect(read('Time,Temperature,Humidity\n2026-03-14 14:05,21,44\n').fahrenheit).toBe(false);
});

test('lines that say nothing are left out, counted, and the first is named', () => {
  const text =
    'Time,Humidity\n2026-03-14 14:05,44\n2026-02-30 10:00,44\n2026-03-14 15:00,--\n2026-03-14 16:00,140\n';
  expect(read(text)).toMatchObject({
    left: 3,
    why: { line: 3, says: '“2026-02-30 10:00” is no date and time' },
  });
});

test('what is no such file says why', () => {
  expect(trouble('a,b\n1,2\n')).toMatchObject({
    says: expect.stringContaining('names a time and a humidity') as string,
  });
  expect(trouble('Time,Humidity\n')).toEqual({ says: 'There is no line of the air in it.' });
  expect(trouble('Time,Humidity\nnoon,44\n')).toEqual({
    says: 'No line says anything of the air. Line 2: “noon” is no date and time.',
  });
});

test('months of a reading every five minutes are read in one go', () => {
  const lines = Array.from({ length: 20_000 }, (_, i) => {
    const at = new Date(Date.UTC(2025, 0, 1) + i * 300_000).toISOString();
    return `${at.slice(0, 10)} ${at.slice(11, 16)},44`;
  });
  expect(read(`Time,Humidity\n${lines.join('\n')}`, null, ZONE).samples).toHaveLength(20_000);
});
