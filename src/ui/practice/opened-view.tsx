'use client';

import type { Construction } from '../../core/instrument/construction.ts';
import type { FaultOpened, Opened, ReadBeside, Spent } from '../../core/practice/opened.ts';
import { ACTION_FRET, stationKey } from '../../core/readings/stations.ts';
import type { StationView } from '../../core/practice/bench-view.ts';
import type { LoadedBench } from '../../server/practice/load-practice.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { wordsIn } from '../../core/units/words-in.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { amountUnit, sayValue } from '../../core/targets/say-values.ts';
import type { Measured } from '../neck-sheet/geometry.ts';
import { PracticeDrawing } from './practice-drawing.tsx';

type Truth = NonNullable<LoadedBench['truth']>;

function Parts({ opened, unit }: { readonly opened: Opened; readonly unit: DisplayUnit }) {
  return (
    <section aria-labelledby="score" className="space-y-2">
      <h2 id="score" className="text-3xl">
        {opened.score} of 100
      </h2>
      <ul className="grid gap-x-8 gap-y-2 sm:grid-cols-2">
        {opened.parts.map((p) => (
          <li key={p.name}>
            <span className="flex items-baseline justify-between gap-2">
              <b>{p.name}</b>
              <span>
                {p.got} of {p.of}
              </span>
            </span>
            <progress aria-label={p.name} className="w-full" max={p.of} value={p.got} />
            <span className="text-sm">{wordsIn(p.says, unit)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Fault({ f, unit }: { readonly f: FaultOpened; readonly unit: DisplayUnit }) {
  return (
    <li className="space-y-1 border-b border-line py-2">
      <h3 className="text-lg">{f.name}</h3>
      <p className="text-sm">
        <span className={f.named ? '' : 'text-rubric'}>{f.named ? '● named' : '◆ not named'}</span>
        {' · '}
        <span className={f.cured ? '' : 'text-rubric'}>{f.cured ? '● put right' : '◆ still there'}</span>
      </p>
      <p>{wordsIn(f.explains, unit)}</p>
      <p className="text-sm text-quiet">It showed here:</p>
      <ul className="text-sm">
        {f.tells.map((t) => (
          <li key={t.says}>
            {t.looked ? '● ' : '○ '}
            {t.says}
            {t.told && (
              <>
                {' '}
                was <b className="font-semibold">{sayValue(t.told.value, t.told.quantity, unit)}</b>, should
                be {sayValue(t.told.should, t.told.quantity, unit)};
              </>
            )}{' '}
            <span className="text-quiet">{t.looked ? 'you looked there' : 'you did not look there'}</span>
          </li>
        ))}
      </ul>
    </li>
  );
}

function Inside({ opened, unit }: { readonly opened: Opened; readonly unit: DisplayUnit }) {
  return (
    <section aria-labelledby="inside" className="space-y-1">
      <h2 id="inside" className="text-xl">
        What was in it
      </h2>
      {opened.faults.length === 0 ? (
        <p>Nothing: it was sound. To leave it as it is was the answer.</p>
      ) : (
        <ul>
          {opened.faults.map((f) => (
            <Fault key={f.id} f={f} unit={unit} />
          ))}
        </ul>
      )}
      {opened.wrong.length > 0 && (
        <p className="text-rubric">◆ Named, and not there: {opened.wrong.join(', ').toLowerCase()}.</p>
      )}
      {opened.left.length > 0 && (
        <>
          <p className="text-rubric">◆ It goes home with this:</p>
          <ul className="text-sm">
            {opened.left.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Work({ of }: { readonly of: Spent }) {
  return (
    <ul>
      {of.work.map((w) => (
        <li key={w.name}>
          {w.name}
          {w.times > 1 && ` × ${w.times}`}
        </li>
      ))}
      {of.work.length === 0 && <li>nothing</li>}
    </ul>
  );
}

interface BesideProps {
  readonly opened: Opened;
  readonly unit: DisplayUnit;
  readonly money: (minor: number) => string;
}

function Beside({ opened, unit, money }: BesideProps) {
  const { spent, enough } = opened;
  const off = (v: number): string => (v < 0.005 ? '–' : formatLength(v, amountUnit(unit)));
  const rows = [
    ['Work', <Work key="s" of={spent} />, <Work key="e" of={enough} />],
    ['Minutes of work', spent.minutes, enough.minutes],
    ['It would cost', money(spent.price), money(enough.price)],
    ['Off the nut', off(spent.taken.nut), off(enough.taken.nut)],
    ['Off the saddle', off(spent.taken.saddle), off(enough.taken.saddle)],
    ['Off the frets', off(spent.taken.frets), off(enough.taken.frets)],
  ] as const;
  return (
    <section aria-labelledby="beside" className="space-y-1">
      <h2 id="beside" className="text-xl">
        What was done, and what was enough
      </h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b-2 border-plain text-left">
            <td />
            <th scope="col" className="font-normal text-quiet">
              done
            </th>
            <th scope="col" className="font-normal text-quiet">
              enough
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, done, least]) => (
            <tr key={name} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {name}
              </th>
              <td className="py-1 pr-3 text-ink">{done}</td>
              <td className="py-1">{least}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Readings({
  readings,
  stations,
  unit,
}: {
  readonly readings: readonly ReadBeside[];
  readonly stations: readonly StationView[];
  readonly unit: DisplayUnit;
}) {
  if (readings.length === 0) return <p className="text-quiet">Nothing was read.</p>;
  const quantity = (key: string) => stations.find((s) => s.key === key)?.quantity ?? 'relief';
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="border-b-2 border-plain text-left text-quiet">
          <th scope="col" className="font-normal">
            where
          </th>
          <th scope="col" className="font-normal">
            you read
          </th>
          <th scope="col" className="font-normal">
            it was
          </th>
          <td />
        </tr>
      </thead>
      <tbody>
        {readings.map((r, n) => (
          <tr key={n} className="border-b border-line">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {r.label}
            </th>
            <td className="pr-3 text-ink">{sayValue(r.read, quantity(r.station), unit)}</td>
            <td className="pr-3">{sayValue(r.truth, quantity(r.station), unit)}</td>
            <td className="text-rubric">{!r.atPitch && '◆ not at pitch'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a neck of the truth measures at its lowest string, for drawing. */
const measured = (shape: Truth['came']): Measured => ({
  relief: shape.relief,
  action: shape.action[0] ?? null,
  nutGap: shape.gap[0] ?? null,
  tops: new Map(shape.tops.flatMap((t, n) => (n > 0 && t !== 0 ? [[n, t] as const] : []))),
});

/** A practice instrument opened: its inside beside what was read, named and done. */
export function OpenedView({
  opened,
  truth,
  construction,
  stations,
  unit,
  money,
}: {
  readonly opened: Opened;
  readonly truth: Truth;
  readonly construction: Construction;
  readonly stations: readonly StationView[];
  readonly unit: DisplayUnit;
  readonly money: (minor: number) => string;
}) {
  const lowest = stationKey('action', construction.strings.length, ACTION_FRET);
  const band = stations.find((s) => s.key === lowest)?.band ?? null;
  return (
    <div className="space-y-4">
      <PracticeDrawing
        construction={construction}
        band={band}
        says="The neck from the side under its lowest string: as it truly came, and as it went."
        lines={[
          { name: 'as it came', measured: measured(truth.came), tone: 'planned' },
          { name: 'as it went', measured: measured(truth.went), tone: 'truth' },
        ]}
      />
      <div className="grid gap-8 lg:grid-cols-2">
        <div className="space-y-5">
          <Parts opened={opened} unit={unit} />
          <Inside opened={opened} unit={unit} />
        </div>
        <div className="space-y-5">
          <Beside opened={opened} unit={unit} money={money} />
          <section aria-labelledby="readings" className="space-y-1">
            <h2 id="readings" className="text-xl">
              What you read, and what it was
            </h2>
            <Readings readings={opened.readings} stations={stations} unit={unit} />
          </section>
        </div>
      </div>
    </div>
  );
}
