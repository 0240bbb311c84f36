'use client';

import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useEffect, useRef, useState } from 'react';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { GaugeLink } from '../../devices/gauge-link.ts';
import { readGaugeLine } from '../../devices/line-protocol.ts';
import { hasSerial, openSerialGauge } from '../../devices/serial-gauge.ts';
import {
  SIMULATED,
  simulatedGauge,
  type SimulatedGauge,
  type SimulatedKind,
} from '../../devices/simulated-gauge.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import type { StationView } from '../../core/job/views/sheet-stations.ts';
import type { ReadingsState } from './use-readings.ts';

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly state: ReadingsState;
  readonly station: StationView | null;
}

const KINDS = Object.keys(SIMULATED) as SimulatedKind[];
const toNumber = (text: string): number | null =>
  /^-?\d+(?:[.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : null;

/** What a gauge says goes to the place that was written in last; the place after it comes next. */
function useGauge({ job, round, state, station }: Props) {
  const { give, trouble } = useSend();
  const [said, setSaid] = useState('');
  const hear = useRef<(line: string) => void>(() => undefined);
  useEffect(() => {
    hear.current = (line) => {
      const read = readGaugeLine(line);
      if (read.kind === 'length' && station) {
        const unit = read.unit === null ? '' : read.unit === 'thou' ? ' thou' : ` ${read.unit}`;
        const gauge = job.readings.rounds.find((r) => r.kind === round)?.gauges[station.quantity];
        state.type(station.key, `${read.value}${unit}`, gauge === undefined ? {} : { gauge });
        setSaid(`${station.label}: ${read.value}${unit}`);
        if (state.commit(station)) {
          const field = document.getElementById(`station-${station.key}`);
          const all = [...document.querySelectorAll<HTMLInputElement>('[id^="station-"]')];
          const order = state.stations.map((s) => `station-${s.key}`);
          const shown = all.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
          shown[shown.indexOf(field as HTMLInputElement) + 1]?.focus();
        }
      } else if (read.kind === 'length') setSaid('Touch the field the reading is for first.');
      else if (read.kind === 'air') {
        const known = job.readings.rounds.find((r) => r.kind === round);
        setSaid(`${read.temperature} °C, ${read.humidity} %: kept with the round.`);
        if (known)
          void give('readings.conditions', {
            jobId: job.id,
            round,
            version: known.version,
            strings: known.strings,
            position: known.position,
            tuning: known.tuning || 'as strung',
            temperature: read.temperature,
            humidity: Math.max(0, Math.min(100, read.humidity)),
          });
      } else if (read.kind === 'battery') setSaid(`The gauge’s battery is low: ${read.percent} %.`);
      else if (read.kind === 'trouble') setSaid(`The gauge says: ${read.words}.`);
      else setSaid(`The gauge sent “${read.text}”: not a reading.`);
    };
  });
  return { hear, said, setSaid, trouble };
}

/** Which stand-in speaks. */
function WhichGauge({
  kind,
  onChoose,
}: {
  readonly kind: SimulatedKind;
  readonly onChoose: (kind: SimulatedKind) => void;
}) {
  return (
    <FormField label="Which">
      {(w) => (
        <select
          {...w}
          className="field"
          value={kind}
          onChange={(e) => onChoose(e.target.value as SimulatedKind)}
        >
          {KINDS.map((k) => (
            <option key={k} value={k}>
              {SIMULATED[k].name}
            </option>
          ))}
        </select>
      )}
    </FormField>
  );
}

/** A gauge that speaks for itself: one on a wire, or a stand-in that is labelled as simulated. */
export function GaugePanel(props: Props) {
  const { hear, said, setSaid, trouble } = useGauge(props);
  const [kind, setKind] = useState<SimulatedKind>('caliper');
  const [truth, setTruth] = useState('');
  const [battery, setBattery] = useState(60);
  const simulated = useRef<SimulatedGauge | null>(null);
  const wire = useRef<GaugeLink | null>(null);
  useEffect(() => {
    const gauge = simulatedGauge(kind, Math.random);
    const stop = gauge.listen((line) => hear.current(line));
    simulated.current = gauge;
    return stop;
  }, [kind, hear]);
  useEffect(() => () => void wire.current?.close(), []);
  const value = toNumber(truth);
  const take = () => {
    if (value === null) return;
    simulated.current?.take(value);
    setBattery(simulated.current?.battery() ?? 0);
  };
  const connect = async () => {
    wire.current = await openSerialGauge().catch(() => null);
    if (!wire.current) return setSaid('No gauge was chosen.');
    wire.current.listen((line) => hear.current(line));
    setSaid('Listening to the gauge.');
  };
  return (
    // It stays open while the focus goes from place to place.
    <Disclosure as="div" className="relative">
      <DisclosureButton className="button text-sm">Gauges</DisclosureButton>
      <DisclosurePanel className="absolute right-0 z-30 mt-1 w-80 space-y-2 border border-plain bg-paper p-4 text-sm shadow-lg">
        <p className="font-semibold">Simulated gauges (stand-ins, no device is asked)</p>
        <WhichGauge kind={kind} onChoose={setKind} />
        <TextField
          label={kind === 'hygrometer' ? 'True temperature, °C' : 'True value, mm'}
          error={truth !== '' && value === null ? 'A number, like 1.98' : undefined}
          value={truth}
          onChange={setTruth}
        />
        <div className="flex flex-wrap gap-2">
          <button type="button" className="button button-main" disabled={value === null} onClick={take}>
            Send its reading
          </button>
          <button type="button" className="button" onClick={() => simulated.current?.zero()}>
            Set to zero
          </button>
          <span className="self-center text-quiet">battery {Math.round(battery)} %</span>
        </div>
        {hasSerial() && (
          <button type="button" className="button w-full" onClick={() => void connect()}>
            Listen to a gauge on a wire
          </button>
        )}
        <Trouble trouble={trouble} />
        <p aria-live="polite">{said}</p>
      </DisclosurePanel>
    </Disclosure>
  );
}
