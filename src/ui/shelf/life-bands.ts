import { ACTION_FRET, RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { sayAmount } from '../../core/learn/say-number.ts';
import type { Quantity } from '../../core/readings/quantities.ts';
import type { Life } from '../../server/shelf/load-life.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayValue } from '../../core/targets/say-values.ts';
import type { LifeBand, LifePoint } from './life-layout.ts';

const NINE_OF_TEN = 1.645;

type Round = Life['rounds'][number];

const pointsOf = (rounds: readonly Round[], of: (r: Round) => number | null): LifePoint[] =>
  rounds.flatMap((r) => {
    const value = of(r);
    return value === null ? [] : [{ at: Date.parse(r.at), value, job: r.job, left: r.kind !== 'as-found' }];
  });

/** What is drawn of a life: relief with what it will read, the action of both outer strings, the air. */
export function lifeBands(life: Life, unit: DisplayUnit): readonly LifeBand[] {
  const read = (key: string) =>
    pointsOf(life.rounds, (r) => r.readings.find((x) => x.key === key)?.value ?? null);
  const say = (quantity: Quantity) => (value: number) => sayValue(value, quantity, unit);
  const strings = life.construction.strings.length;
  const { forecast: f } = life;
  const ahead = f && {
    at: f.at,
    value: f.value,
    low: f.value - NINE_OF_TEN * f.sd,
    high: f.value + NINE_OF_TEN * f.sd,
  };
  return [
    { name: 'Relief', points: read(stationKey('relief', 0, RELIEF_FRET)), ahead, say: say('relief') },
    {
      name: 'Action at 12, lowest string',
      points: read(stationKey('action', strings, ACTION_FRET)),
      ahead: null,
      say: say('action'),
    },
    {
      name: 'Action at 12, highest string',
      points: read(stationKey('action', 1, ACTION_FRET)),
      ahead: null,
      say: say('action'),
    },
    {
      name: 'Air, humidity',
      points: pointsOf(life.rounds, (r) => r.humidity),
      ahead: null,
      behind: life.air.map(({ at, humidity }) => ({ at, value: humidity })),
      say: (v) => `${Math.round(v)} %`,
    },
    {
      name: 'Air, temperature',
      points: pointsOf(life.rounds, (r) => r.temperature),
      ahead: null,
      behind: life.air.flatMap(({ at, temperature }) =>
        temperature === null ? [] : [{ at, value: temperature }],
      ),
      say: (v) => `${Math.round(v)} °C`,
    },
  ];
}

/** What it will read in February and why, in words; null where that is not known. */
export function sayForecast({ forecast: f, numbers }: Life, unit: DisplayUnit): string | null {
  if (!f) return null;
  const said = (v: number) => sayValue(v, 'relief', unit);
  const spread = `${said(f.value - NINE_OF_TEN * f.sd)} to ${said(f.value + NINE_OF_TEN * f.sd)}`;
  const why =
    f.by.kind === 'air'
      ? `the air here is about ${Math.round(f.by.humidity)} % then, and its relief follows the air by ${sayAmount('air', numbers.air.value, unit === 'mm' ? 'mm' : 'thou')} for 10 %`
      : 'as it moved between its visits at that time of the year';
  return `In February it will probably read ${said(f.value)} of relief (${spread} in nine of ten such cases): ${why}.`;
}
