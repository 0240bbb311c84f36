'use client';

import type { ApexOptions } from 'apexcharts';
import { useRef } from 'react';
import Chart from 'react-apexcharts';
import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';
import { chartSeries, type ChartSeries } from './chart-series.ts';

const INKS = ['#1f2a44', '#6b5b3e', '#3f6b57', '#7a4f6d', '#2f6f8f', '#8a6d1d', '#555555', '#9a4b2f'];
const DASHES = [0, 6, 2, 10, 4, 8, 3, 12];

/** The page's nonce, for the style elements the charts put in. */
const nonceOf = (): string => document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '';

const options = (unit: string, series: readonly ChartSeries[], onDrawn: () => void): ApexOptions => ({
  chart: {
    nonce: nonceOf(),
    events: { mounted: onDrawn },
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    fontFamily: 'inherit',
    background: 'transparent',
    foreColor: 'currentColor',
  },
  colors: INKS,
  // Shape and dash tell the lines apart, not their colour alone.
  stroke: { width: 2, dashArray: series.map((_, i) => DASHES[i % DASHES.length] ?? 0) },
  markers: {
    size: 4,
    shape: series.map((_, i) => (['circle', 'square', 'triangle', 'diamond'] as const)[i % 4] ?? 'circle'),
  },
  xaxis: { type: 'datetime', labels: { datetimeUTC: true } },
  yaxis: { title: { text: unit }, decimalsInFloat: 2 },
  legend: { position: 'right' },
  tooltip: { x: { format: 'd MMM yyyy' } },
});

/** Relief, action of each string, intonation and the air over time. */
export function ReadingCharts({
  rounds,
  strings,
}: {
  readonly rounds: InstrumentRounds['rounds'];
  readonly strings: number;
}) {
  const charts = chartSeries(rounds, strings);
  const begun = useRef(0);
  if (begun.current === 0) begun.current = performance.now();
  // How long the drawing took stands where the bench, and a curious browser, can read it.
  const left = useRef(charts.length);
  const drawn = () => {
    left.current -= 1;
    if (left.current === 0) performance.measure('readings drawn', { start: begun.current });
  };
  return (
    <section aria-labelledby="over-time" className="space-y-4">
      <h2 id="over-time" className="text-xl">
        Over time
      </h2>
      <div className="grid gap-4 lg:grid-cols-2">
        {charts.map((c) => (
          <figure key={c.title}>
            <figcaption>{c.title}</figcaption>
            <Chart
              type="line"
              height={220}
              options={options(c.unit, c.series, drawn)}
              series={c.series.map((s) => ({ name: s.name, data: s.data.map((p) => [...p]) }))}
            />
          </figure>
        ))}
      </div>
    </section>
  );
}
