'use client';

import type { ApexOptions } from 'apexcharts';
import Chart from 'react-apexcharts';
import type { LoadedAir } from '../../server/air/load-air.ts';
import { atMoment } from '../../core/learn/season.ts';
import { nonceOf } from '../kit/nonce-of.ts';
import { dayOf, sayDate } from '../kit/dates.ts';

const tenth = (v: number): number => Math.round(v * 10) / 10;
const sayAxisDay = (moment: string | number): string => sayDate(dayOf(Number(moment)));

const options: ApexOptions = {
  chart: {
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    fontFamily: 'inherit',
    background: 'transparent',
    foreColor: 'currentColor',
  },
  // One legend in the order of the lines.
  colors: ['#1f2a44', '#6f6557', '#8a5a2b'],
  // Dash tells the lines apart, not their colour alone.
  stroke: { width: 2, dashArray: [0, 6, 2] },
  xaxis: {
    type: 'numeric',
    tickAmount: 6,
    labels: { formatter: sayAxisDay, rotate: 0, hideOverlappingLabels: false },
    tooltip: { enabled: false },
  },
  yaxis: [
    { seriesName: 'Humidity', title: { text: '%' }, decimalsInFloat: 0 },
    { seriesName: 'Humidity', show: false },
    { seriesName: 'Temperature', opposite: true, title: { text: '°C' }, decimalsInFloat: 0 },
  ],
  legend: { position: 'top', horizontalAlign: 'left' },
  tooltip: { x: { formatter: sayAxisDay } },
};

/** The air of the shop week by week: humidity as it was logged and as the year usually goes, temperature. */
export function AirChart({ weeks, season }: Pick<LoadedAir, 'weeks' | 'season'>) {
  const of = (value: (w: (typeof weeks)[number]) => number | null) =>
    weeks.flatMap((w) => {
      const y = value(w);
      return y === null ? [] : [{ x: w.at, y: tenth(y) }];
    });
  return (
    <Chart
      type="line"
      height={320}
      options={{ ...options, chart: { ...options.chart, nonce: nonceOf() } }}
      series={[
        { name: 'Humidity', data: of((w) => w.value) },
        { name: 'As the year usually goes', data: season ? of((w) => atMoment(season, w.at)) : [] },
        { name: 'Temperature', data: of((w) => w.temperature) },
      ]}
    />
  );
}
