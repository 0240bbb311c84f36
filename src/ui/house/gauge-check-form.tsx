import { useState } from 'react';
import type { Gauge } from '../../core/readings/gauge.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** A gauge of the shop as it is kept. */
export type Kept = Gauge & { readonly retired: boolean; readonly version: number };

/** A gauge held against something known. */
export function GaugeCheckForm({ gauge, onDone }: { readonly gauge: Kept; readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const [reference, setReference] = useState('');
  const [shows, setShows] = useState('');
  const [a, b] = [parseLength(reference, gauge.unit), parseLength(shows, gauge.unit)];
  const keep = async () => {
    if (!a.ok || !b.ok) return;
    const done = await give('house.check-gauge', {
      gaugeId: gauge.id,
      version: gauge.version,
      reference: a.value.mm,
      shows: b.value.mm,
    });
    if (done) onDone();
  };
  return (
    <section aria-label={`Check ${gauge.name}`} className="space-y-3 border border-plain p-4">
      <p className="text-sm">
        Hold it against something known: a feeler, a gauge block, its own zero. What it shows too much is
        taken off every reading from now on.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="The reference is"
          error={reference === '' || a.ok ? undefined : a.error.message}
          value={reference}
          onChange={setReference}
        />
        <TextField
          label="The gauge shows"
          error={shows === '' || b.ok ? undefined : b.error.message}
          value={shows}
          onChange={setShows}
        />
      </div>
      <Trouble trouble={trouble} />
      <div className="flex gap-3">
        <button
          type="button"
          className="button button-main"
          disabled={busy || !a.ok || !b.ok}
          onClick={() => void keep()}
        >
          Keep the check
        </button>
        <button type="button" className="button" onClick={onDone}>
          Leave it
        </button>
      </div>
    </section>
  );
}
