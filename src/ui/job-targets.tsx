'use client';

import { useState } from 'react';
import { stationKey } from '../core/readings/stations.ts';
import type { Quantity } from '../core/readings/quantities.ts';
import type { Side } from '../core/targets/target.ts';
import { parseLength } from '../core/units/parse-length.ts';
import type { JobView } from '../server/job/load-job.ts';
import { FormField } from './form-field.tsx';
import { sayValue, unitOf } from './neck-sheet/units.ts';
import { Trouble } from './trouble.tsx';
import { useSend } from './use-send.ts';

interface Row {
  readonly name: string;
  readonly quantity: Quantity;
  readonly side: Side;
  readonly key: string;
}

const LAYER_WORDS = { kind: 'from the kind', touch: 'from the touch', job: 'this job' } as const;

/** The targets of this job with the layer each comes from, and this job's own wish on top. */
export function JobTargets({ job, may }: { readonly job: JobView; readonly may: boolean }) {
  const count = job.instrument.construction.strings.length;
  const rows: readonly Row[] = [
    { name: 'Relief', quantity: 'relief', side: 'both', key: stationKey('relief', 0, 7) },
    { name: 'Action 12, bass', quantity: 'action', side: 'bass', key: stationKey('action', count, 12) },
    { name: 'Action 12, treble', quantity: 'action', side: 'treble', key: stationKey('action', 1, 12) },
    { name: 'Gap over fret 1', quantity: 'nut-gap', side: 'both', key: stationKey('nut-gap', 1, 1) },
  ];
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState<Row | null>(null);
  const [text, setText] = useState('');
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string | undefined>();
  const targetOf = (row: Row) => job.readings.stations.find((s) => s.key === row.key)?.target ?? null;
  const keep = async () => {
    const target = open && targetOf(open);
    if (!open || !target) return;
    const read = parseLength(text, unitOf(open.quantity, job.shop.heights));
    if (!read.ok) {
      setError(read.error.message);
      return;
    }
    setError(undefined);
    const aim = read.value.mm;
    const version =
      job.readings.targetVersions.find((v) => v.quantity === open.quantity && v.side === open.side)
        ?.version ?? 0;
    // The band keeps its width and moves with the aim.
    const [low, high] = [Math.max(0, aim - (target.aim - target.low)), aim + (target.high - target.aim)];
    const done = await give('plan.target', {
      jobId: job.id,
      quantity: open.quantity,
      side: open.side,
      low,
      aim,
      high,
      reason,
      version,
    });
    if (done) setOpen(null);
  };
  return (
    <section aria-labelledby="targets">
      <h2 id="targets" className="text-xl">
        Targets
      </h2>
      <ul>
        {rows.map((row) => {
          const target = targetOf(row);
          if (!target) return null;
          const say = (n: number) => sayValue(n, row.quantity, job.shop.heights);
          return (
            <li key={row.name} className="border-b border-line py-1 text-sm">
              <div className="flex items-center justify-between gap-2">
                <span>
                  {row.name}: <b>{say(target.aim)}</b>{' '}
                  <span className="block text-quiet">
                    {say(target.low)} to {say(target.high)}, {LAYER_WORDS[target.layer]}
                  </span>
                </span>
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
      {open && (
        <form
          className="space-y-2 py-2"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <FormField label={`${open.name}: aim on this job`} error={error}>
            {(w) => <input {...w} className="field" value={text} onChange={(e) => setText(e.target.value)} />}
          </FormField>
          <FormField label="Why">
            {(w) => (
              <input {...w} className="field" value={reason} onChange={(e) => setReason(e.target.value)} />
            )}
          </FormField>
          <Trouble trouble={trouble} />
          <button type="submit" className="button button-main" disabled={busy}>
            Keep the target
          </button>
        </form>
      )}
    </section>
  );
}
