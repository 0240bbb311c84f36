'use client';

import { useState } from 'react';
import type { Quantity } from '../../core/readings/quantities.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { LAYER_NAMES, RELATIVE_WISHES, type RelativeWish, type Side } from '../../core/targets/target.ts';
import { parseCents } from '../../core/units/parse-cents.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { layersOf, type StationView } from '../../core/job/views/sheet-stations.ts';
import { sayValue, unitOf } from '../../core/targets/say-values.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

interface Row {
  readonly name: string;
  readonly quantity: Quantity;
  readonly side: Side;
  readonly key: string;
}

type Layer = 'customer' | 'job';
const OWN_LAYERS: Readonly<Record<Layer, string>> = { job: 'this job', customer: 'the customer’s wish' };

const rowsOf = (job: LeafJob): readonly Row[] => {
  const count = job.instrument.construction.strings.length;
  return [
    { name: 'Relief', quantity: 'relief', side: 'both', key: stationKey('relief', 0, 7) },
    { name: 'Action 12, bass', quantity: 'action', side: 'bass', key: stationKey('action', count, 12) },
    { name: 'Action 12, treble', quantity: 'action', side: 'treble', key: stationKey('action', 1, 12) },
    { name: 'Gap over fret 1', quantity: 'nut-gap', side: 'both', key: stationKey('nut-gap', 1, 1) },
    { name: 'Cents at 12', quantity: 'intonation', side: 'both', key: stationKey('intonation', 1, 12) },
  ];
};

/** Which string a wish is for, where the quantity is read on each. */
function StringChoice({
  job,
  row,
  value,
  onChange,
}: {
  readonly job: LeafJob;
  readonly row: Row;
  readonly value: number;
  readonly onChange: (string: number) => void;
}) {
  const { strings } = job.instrument.construction;
  if (row.quantity !== 'nut-gap' && row.quantity !== 'intonation') return null;
  return (
    <FormField label="For">
      {(w) => (
        <select {...w} className="field" value={value} onChange={(e) => onChange(Number(e.target.value))}>
          <option value={0}>all strings</option>
          {strings.map((s, i) => (
            <option key={i} value={strings.length - i}>
              string {strings.length - i}, {s.note}
            </option>
          ))}
        </select>
      )}
    </FormField>
  );
}

interface WishProps {
  readonly job: LeafJob;
  readonly row: Row;
  readonly onClose: () => void;
}

/** A wish as it is typed, and how it is kept; over a colleague's where that was shown. */
function useWish({ job, row, onClose }: WishProps) {
  const { give, busy, trouble } = useSend();
  const [unit] = useDisplayUnit();
  const [layer, setLayer] = useState<Layer>('job');
  const [relative, setRelative] = useState<RelativeWish | ''>('');
  const [string, setString] = useState(0);
  const [text, setText] = useState('');
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string | undefined>();
  // What a colleague sets while this form is open is not written over unseen.
  const [seen, setSeen] = useState(job.readings.targetVersions);
  const theirs = trouble?.code === 'conflict' ? trouble.theirs : null;
  const target = job.readings.stations.find((s) => s.key === row.key)?.target ?? null;
  const aimOf = (): number | null => {
    const read =
      row.quantity === 'intonation' ? parseCents(text) : parseLength(text, unitOf(row.quantity, unit));
    if (!read.ok) {
      setError(read.error.message);
      return null;
    }
    setError(undefined);
    return typeof read.value === 'number' ? read.value : read.value.mm;
  };
  const keep = async (versions = seen) => {
    if (!target) return;
    const aim = relative === '' ? aimOf() : target.aim;
    if (aim === null) return;
    const known = versions.find(
      (v) => v.quantity === row.quantity && v.side === row.side && v.string === string && v.layer === layer,
    );
    // The band keeps its width and moves with the aim.
    const least = row.quantity === 'intonation' ? -50 : 0;
    const low = Math.max(least, aim - (target.aim - target.low));
    const done = await give('plan.target', {
      jobId: job.id,
      quantity: row.quantity,
      side: row.side,
      string,
      layer,
      relative: relative === '' ? null : relative,
      low,
      aim,
      high: aim + (target.high - target.aim),
      reason,
      version: known?.version ?? 0,
    });
    if (done) onClose();
  };
  const keepOver = () => {
    setSeen(job.readings.targetVersions);
    void keep(job.readings.targetVersions);
  };
  return {
    layer,
    setLayer,
    relative,
    setRelative,
    string,
    setString,
    text,
    setText,
    reason,
    setReason,
    error,
    theirs,
    keep,
    keepOver,
    busy,
    trouble,
  };
}

/** Against what is there now, instead of by a number. */
function Against({
  value,
  onChange,
}: {
  readonly value: RelativeWish | '';
  readonly onChange: (value: RelativeWish | '') => void;
}) {
  return (
    <FormField label="Against what is there now">
      {(w) => (
        <select
          {...w}
          className="field"
          value={value}
          onChange={(e) => onChange(e.target.value as RelativeWish | '')}
        >
          <option value="">by a number</option>
          {Object.entries(RELATIVE_WISHES).map(([id, { says }]) => (
            <option key={id} value={id}>
              {says}
            </option>
          ))}
        </select>
      )}
    </FormField>
  );
}

function WishForm({ job, row, onClose }: WishProps) {
  const wish = useWish({ job, row, onClose });
  const { layer, setLayer, relative, setRelative, string, setString } = wish;
  const { text, setText, reason, setReason, error, theirs, keep, keepOver, busy, trouble } = wish;
  return (
    <form
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <PillChoice legend="Whose wish" value={layer} options={OWN_LAYERS} onChange={setLayer} />
      <StringChoice job={job} row={row} value={string} onChange={setString} />
      {row.quantity === 'action' && <Against value={relative} onChange={setRelative} />}
      {relative === '' && (
        <TextField label={`${row.name}: aim on this job`} error={error} value={text} onChange={setText} />
      )}
      <TextField label="Why" value={reason} onChange={setReason} />
      <Trouble trouble={trouble} />
      {theirs && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="button" onClick={onClose}>
            Let theirs stand
          </button>
          <button type="button" className="button" onClick={keepOver}>
            Mine over theirs
          </button>
        </div>
      )}
      <button type="submit" className="button button-main" disabled={busy || theirs !== null}>
        Keep the target
      </button>
    </form>
  );
}

/** Each layer that says something about a place, the one in force marked. */
function Layers({ job, station }: { readonly job: LeafJob; readonly station: StationView }) {
  const [unit] = useDisplayUnit();
  const layers = layersOf(job, station);
  const say = (n: number) => sayValue(n, station.quantity, unit);
  return (
    <ul className="text-quiet" aria-label={`Layers of ${station.label}`}>
      {layers.map((l, i) => (
        <li key={l.layer}>
          {i === layers.length - 1 ? '●' : '○'} {LAYER_NAMES[l.layer]}: {say(l.low)} – {say(l.aim)} –{' '}
          {say(l.high)}
        </li>
      ))}
    </ul>
  );
}

/** The targets of this job with the layers each comes from, and the wishes on top. */
export function JobTargets({ job, may }: { readonly job: LeafJob; readonly may: boolean }) {
  const [open, setOpen] = useState<Row | null>(null);
  const [unit] = useDisplayUnit();
  const unread = job.readings.targetVersions.filter(
    (v) =>
      v.relative !== null &&
      !job.readings.readings.some((r) => r.round === 'as-found' && r.quantity === v.quantity),
  );
  return (
    <section aria-labelledby="targets">
      <h2 id="targets" className="text-xl">
        Targets
      </h2>
      {unread.map((v) => (
        <p key={`${v.quantity}${v.side}`} className="text-sm text-rubric">
          ◆ “{v.relative && RELATIVE_WISHES[v.relative].says}” is wished for the {v.quantity}: it has no
          number until that was read.
        </p>
      ))}
      <ul>
        {rowsOf(job).map((row) => {
          const station = job.readings.stations.find((s) => s.key === row.key);
          const target = station?.target;
          if (!station || !target) return null;
          const say = (n: number) => sayValue(n, row.quantity, unit);
          return (
            <li key={row.name} className="border-b border-line py-1 text-sm">
              <div className="flex items-center justify-between gap-2">
                <details>
                  <summary className="min-h-6 cursor-pointer">
                    {row.name}: <b>{say(target.aim)}</b>{' '}
                    <span className="block text-quiet">
                      {say(target.low)} to {say(target.high)}, from {LAYER_NAMES[target.layer]}
                    </span>
                  </summary>
                  <Layers job={job} station={station} />
                </details>
                {may && (
                  <button
                    type="button"
                    className="button px-3"
                    aria-label={`Set ${row.name} for this job`}
                    onClick={() => setOpen(row)}
                  >
                    Set
                  </button>
                )}
              </div>
            </li>
          );
        })}
      </ul>
      {open && <WishForm key={open.name} job={job} row={open} onClose={() => setOpen(null)} />}
    </section>
  );
}
