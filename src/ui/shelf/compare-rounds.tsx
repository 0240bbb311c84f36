'use client';

import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { compareReadings } from '../../core/readings/compare.ts';
import { allStations, stationKey } from '../../core/readings/stations.ts';
import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';
import { dayOf } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { sheetGeometry, type Measured } from '../neck-sheet/geometry.ts';
import { SideView } from '../neck-sheet/side-view.tsx';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayValue } from '../../core/targets/say-values.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Sideways } from '../kit/sideways.tsx';

const ReadingCharts = dynamic(() => import('./reading-charts.tsx').then((m) => m.ReadingCharts), {
  ssr: false,
  loading: () => <p>Drawing the readings over time …</p>,
});

const NeckShapes = dynamic(() => import('./neck-shapes.tsx').then((m) => m.NeckShapes));

type Round = InstrumentRounds['rounds'][number];

const DRAWN_WIDTH = 1180;
const DRAWN_HEIGHT = 220;

function measured(round: Round, string: number): Measured {
  const at = (key: string) => round.readings.find((r) => r.key === key)?.value ?? null;
  return {
    relief: at(stationKey('relief', 0, 7)),
    action: at(stationKey('action', string, 12)),
    nutGap: at(stationKey('nut-gap', string, 1)),
  };
}

/** Two rounds laid over each other, for the lowest or the highest string. */
function Overlaid({
  instrument,
  a,
  b,
}: {
  readonly instrument: InstrumentRounds;
  readonly a: Round;
  readonly b: Round;
}) {
  const c = instrument.construction;
  const [side, setSide] = useState<'bass' | 'treble'>('bass');
  const string = side === 'bass' ? c.strings.length : 1;
  const lines = [
    { name: a.name, measured: measured(a, string), tone: 'found' as const },
    { name: b.name, measured: measured(b, string), tone: 'left' as const },
  ];
  const g = sheetGeometry(c, DRAWN_WIDTH, 6);
  return (
    <section aria-label="On the drawing">
      <PillChoice
        legend="String drawn"
        value={side}
        options={{ bass: 'lowest string', treble: 'highest string' }}
        onChange={setSide}
      />
      <Sideways label="The drawing">
        <svg
          viewBox={`0 0 ${DRAWN_WIDTH} ${DRAWN_HEIGHT}`}
          className="w-full min-w-[720px]"
          role="img"
          aria-label={`${a.name} dotted, ${b.name} drawn through, heights enlarged ${g.enlarged} times; the table has the numbers.`}
        >
          <SideView
            construction={c}
            geometry={g}
            top={10}
            height={186}
            lines={lines}
            band={null}
            bend={lines[1]?.measured ?? { relief: 0, action: null, nutGap: null }}
            saddleThickness={3}
            reliefRed={false}
            actionRed={false}
            named
          />
        </svg>
      </Sideways>
    </section>
  );
}

/** Two rounds beside each other, place by place, with what moved. */
function InNumbers({
  a,
  b,
  stations,
  displayUnit,
}: {
  readonly a: Round;
  readonly b: Round;
  readonly stations: ReturnType<typeof allStations>;
  readonly displayUnit: DisplayUnit;
}) {
  const asMap = (r: Round) => new Map(r.readings.map((x) => [x.key, x]));
  const compared = compareReadings(
    asMap(a),
    asMap(b),
    stations.map((s) => s.key),
  );
  return (
    <table className="w-full text-left text-sm">
      <caption className="py-1 text-left font-serif text-xl font-semibold">In numbers</caption>
      <thead>
        <tr className="border-b-2 border-plain">
          {['Place', a.name, b.name, 'Moved by', ''].map((h, i) => (
            <th key={i} scope="col" className="pr-4">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {compared.map((row) => {
          const station = stations.find((s) => s.key === row.key);
          if (!station) return null;
          const say = (n: number | null) => (n === null ? '–' : sayValue(n, station.quantity, displayUnit));
          const converted = [a, b].some((r) => r.readings.find((x) => x.key === row.key)?.converted);
          return (
            <tr key={row.key} className="border-b border-line">
              <th scope="row" className="pr-4 font-normal">
                {station.label}
              </th>
              <td className="pr-4 text-ink">{say(row.a)}</td>
              <td className="pr-4 text-ink">{say(row.b)}</td>
              <td className="pr-4 font-semibold">
                {row.moved === null
                  ? ''
                  : `${row.moved > 0 ? '▲' : row.moved < 0 ? '▼' : '='} ${say(row.moved)}`}
              </td>
              <td className="text-quiet">
                {row.moved !== null && row.moved !== 0 && !row.sure && 'under what the gauges tell apart'}
                {converted && ' one of them converted'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Any round of any visit against any other: as numbers, on the drawing, and all of them over time. */
export function CompareRounds({
  instrument,
  first,
}: {
  readonly instrument: InstrumentRounds;
  readonly first: { readonly a: string; readonly b: string };
}) {
  const [displayUnit] = useDisplayUnit();
  const { rounds, construction } = instrument;
  const known = (id: string) => rounds.some((r) => r.id === id);
  const [aId, setA] = useState(known(first.a) ? first.a : (rounds[0]?.id ?? ''));
  const [bId, setB] = useState(known(first.b) ? first.b : (rounds.at(-1)?.id ?? ''));
  const stations = useMemo(() => allStations(construction), [construction]);
  const [a, b] = [rounds.find((r) => r.id === aId), rounds.find((r) => r.id === bId)];
  if (!a || !b) return <p className="px-5 py-3">Nothing was read on this instrument yet.</p>;
  const choice = (label: string, value: string, onChange: (id: string) => void) => (
    <FormField label={label}>
      {(w) => (
        <select {...w} className="field" value={value} onChange={(e) => onChange(e.target.value)}>
          {rounds.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name} ({dayOf(r.at)})
            </option>
          ))}
        </select>
      )}
    </FormField>
  );
  return (
    <div className="space-y-4 px-5 py-3">
      <div className="grid grid-cols-2 gap-3">
        {choice('From', aId, setA)}
        {choice('To', bId, setB)}
      </div>
      <Overlaid instrument={instrument} a={a} b={b} />
      <NeckShapes construction={construction} a={a} b={b} displayUnit={displayUnit} />
      <InNumbers a={a} b={b} stations={stations} displayUnit={displayUnit} />
      <ReadingCharts rounds={rounds} strings={construction.strings.length} />
    </div>
  );
}
