import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';
import { chartSeries } from './chart-series.ts';

type Round = InstrumentRounds['rounds'][number];

const round = (day: number, readings: Readonly<Record<string, number>>, humidity: number | null): Round => ({
  id: `401:${day}`,
  job: 401,
  kind: 'as-left',
  name: '401, as left',
  at: `2026-11-0${day}T10:00:00.000Z`,
  temperature: null,
  humidity,
  readings: Object.entries(readings).map(([key, value]) => {
    const [quantity, string, fret] = key.split(':');
    return {
      key,
      quantity: quantity as 'relief',
      string: Number(string),
      fret: Number(fret),
      value,
      uncertainty: null,
      converted: null,
    };
  }),
});

test('a chart for each thing that was read, a line for each string that was, nothing else', () => {
  const rounds = [
    round(1, { 'relief:0:7': 0.2, 'action:6:12': 2.2, 'action:1:12': 1.7 }, 40),
    round(2, { 'action:6:12': 2.3 }, null),
  ];
  const charts = chartSeries(rounds, 6);
  expect(charts.map((c) => [c.title, c.series.map((s) => s.name)])).toEqual([
    ['Relief', ['at the 7th', 'humidity, %']],
    ['Action at the 12th', ['string 6', 'string 1', 'humidity, %']],
  ]);
  expect(charts[1]?.series[0]?.data).toEqual([
    [Date.parse(rounds[0]?.at ?? ''), 2.2],
    [Date.parse(rounds[1]?.at ?? ''), 2.3],
  ]);
  expect(chartSeries([], 6)).toEqual([]);
});
