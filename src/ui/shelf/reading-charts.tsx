'use client';

import type { ApexOptions } from 'apexcharts';
import { useRef, useState } from 'react';
import Chart from 'react-apexcharts';
import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import { nonceOf } from '../kit/nonce-of.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { chartSeries, type ChartSeries } from './chart-series.ts';

const INKS = ['#1f2a44', '#6b5b3e', '#3f6b57', '#7a4f6d', '#2f6f8f', '#8a6d1d', '#555555', '#9a4b2f'];
const MOST_MARKED = 16;
const DAYS_SHOWN = 6;

/** A moment on the axis, ms since the epoch (the library gives it as text or number), as a day. */
const sayAxisDay = (moment: string | number): string => sayDate(dayOf(Number(moment)));
const DASHES = [0, 6, 2, 10, 4, 8, 3, 12];

const options = (unit: string, series: readonly ChartSeries[], onDrawn: () => void): ApexOptions => ({
  chart: {
    nonce: nonceOf(),
    events: { mounted: onDrawn },
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    redrawOnParentResize: false,
    fontFamily: 'inherit',
    background: 'transparent',
    foreColor: 'currentColor',
  },
  colors: INKS,
  // Shape and dash tell the lines apart, not their colour alone.
  stroke: { width: 2, dashArray: series.map((_, i) => DASHES[i % DASHES.length] ?? 0) },
  // Many points draw a line well enough; few are seen by their marks.
  markers: {
    size: series.some((s) => s.data.length > MOST_MARKED) ? 0 : 4,
    shape: series.map((_, i) => (['circle', 'square', 'triangle', 'diamond'] as const)[i % 4] ?? 'circle'),
  },
  states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
  // Moments as plain numbers with the house's own words for them: the library's calendar costs half the drawing.
  xaxis: {
    type: 'numeric',
    tickAmount: DAYS_SHOWN,
    labels: { formatter: sayAxisDay, rotate: 0, hideOverlappingLabels: false },
    tooltip: { enabled: false },
  },
  // One axis for what was read, one on the right for the air.
  yaxis: series.map((s, i) => ({
    seriesName: s.air ? s.name : (series[0]?.name ?? ''),
    show: i === 0 || s.air === true,
    opposite: s.air === true,
    title: { text: s.air ? '%' : unit },
    decimalsInFloat: s.air ? 0 : 2,
  })),
  legend: { position: 'right' },
  tooltip: { x: { formatter: sayAxisDay } },
});

/** Relief, the action of each string or intonation over time, one at a time, humidity beside it. */
export function ReadingCharts({
  rounds,
  strings,
}: {
  readonly rounds: InstrumentRounds['rounds'];
  readonly strings: number;
}) {
  const charts = chartSeries(rounds, strings);
  const [title, setTitle] = useState(charts[0]?.title ?? '');
  const chart = charts.find((c) => c.title === title) ?? charts[0];
  const begun = useRef(0);
  if (begun.current === 0) begun.current = performance.now();
  // How long the drawing took stands where the bench, and a curious browser, can read it.
  const drawn = () => performance.measure('readings drawn', { start: begun.current });
  if (!chart) return null;
  return (
    <section aria-labelledby="over-time" className="space-y-2">
      <h2 id="over-time" className="text-xl">
        Over time
      </h2>
      <PillChoice
        quiet
        legend="What is drawn over time"
        value={chart.title}
        options={Object.fromEntries(charts.map((c) => [c.title, c.title]))}
        onChange={setTitle}
      />
      <Chart
        key={chart.title}
        type="line"
        height={280}
        options={options(chart.unit, chart.series, drawn)}
        series={chart.series.map((s) => ({ name: s.name, data: s.data.map((p) => [...p]) }))}
      />
    </section>
  );
}
