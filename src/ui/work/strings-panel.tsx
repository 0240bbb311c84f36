'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { isLookedAt } from '../../core/inspection/checklist.ts';
import { lostWithoutStrings } from '../../core/inspection/strings-gate.ts';
import { STRING_SETS } from '../../core/strings/string-sets.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { readGauges } from '../desk/read-gauges.ts';
import { ItemReadings } from '../inspection/item-readings.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

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
        <FormField label="Why it goes on without them">
          {(w) => (
            <textarea
              {...w}
              rows={2}
              className="field"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          )}
        </FormField>
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

const inThou = (mm: number): string => `.${String(Math.round(mm / 0.0254)).padStart(3, '0')}`;

function PutOn({ job, onClose }: { readonly job: LeafJob<'inspection'>; readonly onClose: () => void }) {
  const { give, busy, trouble } = useSend();
  const { construction } = job.instrument;
  const now = construction.strings;
  const sets = STRING_SETS.filter(
    (s) => s.kinds.includes(construction.kind) && s.strings.length === now.length,
  );
  const [setId, setSetId] = useState('');
  const [fresh, setFresh] = useState<'new' | 'used'>('new');
  const [gauges, setGauges] = useState(now.map((s) => inThou(s.gauge)).join(' '));
  const [wound, setWound] = useState(now.map((s) => s.wound));
  const [wrong, setWrong] = useState<string | undefined>(undefined);
  const choose = (id: string) => {
    setSetId(id);
    const set = sets.find((s) => s.id === id);
    if (!set) return;
    setGauges(set.strings.map((s) => inThou(s.gauge)).join(' '));
    setWound(set.strings.map((s) => s.kind === 'wound'));
  };
  const put = async () => {
    const read = readGauges(gauges, now);
    setWrong(read.ok ? undefined : read.error);
    if (!read.ok) return;
    const strings = read.value.map((s, i) => ({ ...s, wound: wound[i] ?? s.wound }));
    const setName = sets.find((s) => s.id === setId)?.name ?? '';
    if (await give('strings.on', { jobId: job.id, setName, fresh: fresh === 'new', strings })) onClose();
  };
  return (
    <DialogPanel className="w-full max-w-lg space-y-4 border border-plain bg-paper p-6">
      <DialogTitle className="text-xl">Put strings on</DialogTitle>
      <PillChoice
        legend="These strings are"
        value={fresh}
        options={{ new: 'new', used: 'the old ones' }}
        onChange={setFresh}
      />
      <FormField label="Set">
        {(w) => (
          <ListChoice
            {...w}
            value={setId}
            items={[
              { value: '', name: 'as written below' },
              ...sets.map((s) => ({ value: s.id, name: s.name })),
            ]}
            onChange={choose}
          />
        )}
      </FormField>
      <FormField label="Gauges, lowest first" error={wrong}>
        {(w) => <input {...w} className="field" value={gauges} onChange={(e) => setGauges(e.target.value)} />}
      </FormField>
      <p className="text-sm text-quiet">
        Relief, action and intonation are to be read again; new readings belong to “After work”.
      </p>
      <Trouble trouble={trouble} />
      <div className="flex justify-end gap-3">
        <button type="button" className="button" onClick={onClose}>
          Not yet
        </button>
        <button type="button" className="button button-main" disabled={busy} onClick={() => void put()}>
          They are on, at pitch
        </button>
      </div>
    </DialogPanel>
  );
}

/** Whether the strings are on, and the way to take them off or put them on. */
export function StringsPanel({ job, may }: { readonly job: LeafJob<'inspection'>; readonly may: boolean }) {
  const [asking, setAsking] = useState(false);
  const off = job.stringsState === 'off';
  const last = job.strings.at(-1);
  return (
    <section
      aria-label="Strings"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-y border-line py-2"
    >
      <p className={`min-w-0 flex-1 text-sm ${off ? 'text-rubric' : 'text-quiet'}`}>
        {off ? '◆ Strings off' : 'Strings on'}
        {last && (
          <>
            {' '}
            since {sayMoment(last.at)}, <span className="text-ink">{last.by}</span>
            {last.reason && <span className="text-ink">: {last.reason}</span>}
          </>
        )}
      </p>
      {may && (
        <button type="button" className="button" onClick={() => setAsking(true)}>
          {off ? 'Put strings on' : 'Take the strings off'}
        </button>
      )}
      {asking && (
        <Dialog open onClose={() => setAsking(false)} className="relative z-40">
          <div className="fixed inset-0 flex items-center justify-center bg-wall/50 p-4">
            {off ? (
              <PutOn job={job} onClose={() => setAsking(false)} />
            ) : (
              <TakeOff job={job} onClose={() => setAsking(false)} />
            )}
          </div>
        </Dialog>
      )}
    </section>
  );
}
