import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';

/** One line of a chart: moments (ms since the epoch) with values. */
export interface ChartSeries {
  readonly name: string;
  /** drawn against the air's own axis */
  readonly air?: true;
  readonly data: readonly (readonly [number, number])[];
}

export interface ReadingChart {
  readonly title: string;
  readonly unit: string;
  readonly series: readonly ChartSeries[];
}

type Round = InstrumentRounds['rounds'][number];

const points = (rounds: readonly Round[], of: (r: Round) => number | null | undefined) =>
  rounds.flatMap((r) => {
    const value = of(r);
    return value == null ? [] : [[Date.parse(r.at), value] as const];
  });

const placed = (rounds: readonly Round[], name: string, key: string): ChartSeries => ({
  name,
  data: points(rounds, (r) => r.readings.find((x) => x.key === key)?.value),
});

/** What is drawn over time: relief, the action of each string that was read, intonation; humidity beside each. */
export function chartSeries(rounds: readonly Round[], strings: number): readonly ReadingChart[] {
  const numbers = Array.from({ length: strings }, (_, i) => strings - i);
  const charts: readonly ReadingChart[] = [
    { title: 'Relief', unit: 'mm', series: [placed(rounds, 'at the 7th', 'relief:0:7')] },
    {
      title: 'Action at the 12th',
      unit: 'mm',
      series: numbers.map((n) => placed(rounds, `string ${n}`, `action:${n}:12`)),
    },
    {
      title: 'Cents at the 12th',
      unit: 'cents',
      series: numbers.map((n) => placed(rounds, `string ${n}`, `intonation:${n}:12`)),
    },
  ];
  const air: ChartSeries = { name: 'humidity, %', air: true, data: points(rounds, (r) => r.humidity) };
  return charts
    .map((c) => ({ ...c, series: c.series.filter((s) => s.data.length > 0) }))
    .filter((c) => c.series.length > 0)
    .map((c) => ({ ...c, series: air.data.length > 0 ? [...c.series, air] : c.series }));
}
