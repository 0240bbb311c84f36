'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Suspense, useState } from 'react';
import { isLookedAt } from '../../core/inspection/checklist.ts';
import { stringName } from '../../core/instrument/construction.ts';
import { lostWithoutStrings } from '../../core/inspection/strings-gate.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { ItemReadings } from '../inspection/item-readings.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** Sets and gauges are read where somebody strings. */
const PutOn = lazyPart(() => import('./put-on.tsx').then((m) => m.PutOn));

const plural = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** What would be lost if the strings came off now, as the house will reckon it. */
function gateOf(job: LeafJob<'inspection'>) {
  const answered = new Set(job.inspection.items.filter((i) => isLookedAt(i.answer)).map((i) => i.key));
  const items = job.inspection.items.map(({ reading: _r, leadsTo: _l, ...i }) => ({
    ...i,
    when: { all: [] },
  }));
  const readings = job.readings.readings.map((r) => ({ ...r, fret: 0, takenAt: Date.parse(r.takenAt) }));
  return lostWithoutStrings(job.stringsState, job.readings.stations, readings, items, answered);
}

function TakeOff({ job, onClose }: { readonly job: LeafJob<'inspection'>; readonly onClose: () => void }) {
  const { give, busy, trouble } = useSend();
  const [reason, setReason] = useState('');
  // The list stays as it was when one came to it: a field that is filled in must not vanish under the finger.
  const [first] = useState(() => gateOf(job));
  const gate = gateOf(job);
  const left = gate.readings.length + gate.items.length;
  const take = async () => {
    if (await give('strings.off', { jobId: job.id, reason })) onClose();
  };
  return (
    <DialogPanel className="max-h-[92vh] w-full max-w-3xl space-y-3 overflow-y-auto border border-plain bg-paper p-6">
      <DialogTitle className="text-xl">Take the strings off</DialogTitle>
      <p role="status" className={left > 0 ? 'text-rubric' : ''}>
        {left > 0
          ? `◆ ${[gate.readings.length > 0 ? plural(gate.readings.length, 'reading', 'readings') : '', gate.items.length > 0 ? plural(gate.items.length, 'item of the list', 'items of the list') : ''].filter(Boolean).join(' and ')} can be had only with the strings on.`
          : '✓ Everything that needs strings is read.'}
      </p>
      {first.readings.length > 0 && (
        <section aria-label="Readings that need strings">
          <h3 className="font-serif text-lg">Read them now</h3>
          <ItemReadings job={job} round="as-found" stations={first.readings} columns={3} editable />
        </section>
      )}
      {gate.items.length > 0 && (
        <section aria-label="Items that need strings">
          <h3 className="font-serif text-lg">Still open on the list</h3>
          <p className="text-sm">{gate.items.map((i) => i.title).join(' · ')}</p>
        </section>
      )}
      {left > 0 && (
        <TextField label="Why it goes on without them" rows={2} value={reason} onChange={setReason} />
      )}
      <p className="text-sm">String ends and strings under tension: eyes. Slacken before cutting.</p>
      <Trouble trouble={trouble} />
      <div className="flex justify-end gap-3">
        <button type="button" className="button" onClick={onClose}>
          Leave them on
        </button>
        <button type="button" className="button button-main" disabled={busy} onClick={() => void take()}>
          {left > 0 ? 'Take them off all the same' : 'They are off'}
        </button>
      </div>
    </DialogPanel>
  );
}

type Change = LeafJob<'inspection'>['strings'][number];

/** Which strings are on, which of them are new, what broke. */
function StringsSaid({ job, change }: { readonly job: LeafJob<'inspection'>; readonly change: Change }) {
  const name = (n: number) => stringName(job.instrument.construction, n);
  const { setName, fresh, newOnes, broke, brokeNote } = change;
  const which =
    newOnes.length > 0 ? `new: ${newOnes.map(name).join(', ')}` : fresh ? 'a new set' : 'the old ones';
  return (
    <span className="text-ink">
      : {which}
      {setName && ` (${setName})`}
      {broke.length > 0 && `; ${broke.map(name).join(', ')} broke${brokeNote && `: ${brokeNote}`}`}
    </span>
  );
}

/** Whether the strings are on, and the way to take them off or put them on. */
export function StringsPanel({ job, may }: { readonly job: LeafJob<'inspection'>; readonly may: boolean }) {
  const [asking, setAsking] = useState<'off' | 'on' | null>(null);
  const close = () => setAsking(null);
  const off = job.stringsState === 'off';
  const last = job.strings.at(-1);
  return (
    <section
      aria-label="Strings"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-y border-line py-2"
    >
      <p className={`min-w-48 flex-1 text-sm ${off ? 'text-rubric' : 'text-quiet'}`}>
        {off ? '◆ Strings off' : 'Strings on'}
        {last && (
          <>
            {' '}
            since {sayMoment(last.at)}, <span className="text-ink">{last.by}</span>
            {last.reason && <span className="text-ink">: {last.reason}</span>}
            {last.kind === 'on' && <StringsSaid job={job} change={last} />}
          </>
        )}
      </p>
      {may && (
        <button type="button" className="button" onClick={() => setAsking(off ? 'on' : 'off')}>
          {off ? 'Put strings on' : 'Take the strings off'}
        </button>
      )}
      {may && !off && (
        <button type="button" className="button" onClick={() => setAsking('on')}>
          Some were replaced
        </button>
      )}
      {asking === 'off' && (
        <Dialog open onClose={close} className="relative z-40">
          <div className="fixed inset-0 flex items-center justify-center bg-wall/50 p-4">
            <TakeOff job={job} onClose={close} />
          </div>
        </Dialog>
      )}
      {asking === 'on' && (
        <Suspense>
          <PutOn
            job={{ ...job, construction: job.instrument.construction }}
            steps={job.lines.filter((l) => l.approval === 'yes' && l.step !== 'finished' && l.saysStrings)}
            onClose={close}
          />
        </Suspense>
      )}
    </section>
  );
}
