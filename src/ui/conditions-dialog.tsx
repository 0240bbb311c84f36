'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { POSITIONS, STRINGS_STATES } from '../core/readings/conditions.ts';
import type { Methods } from '../core/readings/methods.ts';
import type { RoundKind } from '../core/readings/rounds.ts';
import type { LeafJob } from './leaves/leaf-props.ts';
import { FormField } from './form-field.tsx';
import { GaugeChoice } from './gauge-choice.tsx';
import { MethodChoice } from './method-choice.tsx';
import { PillChoice } from './pill-choice.tsx';
import { Trouble } from './trouble.tsx';
import { useSend } from './use-send.ts';

const NUMBER = /^-?\d{1,3}(?:[.,]\d)?$/;
const toNumber = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.replace(',', '.'));

/** How the instrument is while a round is read; what is read from now on inherits it. */
export function ConditionsDialog({
  job,
  round,
  onClose,
}: {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly onClose: () => void;
}) {
  const known = job.readings.rounds.find((r) => r.kind === round);
  const { give, busy, trouble } = useSend();
  const [strings, setStrings] = useState(known?.strings ?? 'at-pitch');
  const [position, setPosition] = useState(known?.position ?? 'playing');
  const [tuning, setTuning] = useState(known?.tuning ?? job.readings.rounds[0]?.tuning ?? '');
  const [temperature, setTemperature] = useState(known?.temperature?.toString() ?? '');
  const [pitch, setPitch] = useState(known?.pitch?.toString() ?? '');
  const [methods, setMethods] = useState<Methods>(known?.methods ?? job.readings.habits.methods);
  const [gauges, setGauges] = useState(known?.gauges ?? {});
  const [humidity, setHumidity] = useState(known?.humidity?.toString() ?? '');
  const wrong = (text: string) =>
    text.trim() !== '' && !NUMBER.test(text.trim()) ? 'A number, like 21 or 44,5' : undefined;
  const save = async () => {
    if (wrong(temperature) || wrong(humidity) || wrong(pitch)) return;
    const done = await give('readings.conditions', {
      jobId: job.id,
      round,
      version: known?.version ?? 0,
      strings,
      position,
      tuning,
      temperature: toNumber(temperature),
      humidity: toNumber(humidity),
      pitch: toNumber(pitch),
      methods,
      gauges,
    });
    if (done) onClose();
  };
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-wall/50 p-4">
        <DialogPanel className="w-full max-h-full max-w-2xl space-y-3 overflow-y-auto border border-plain bg-paper p-6">
          <DialogTitle className="text-xl">How it is while you read</DialogTitle>
          <PillChoice legend="Strings" value={strings} options={STRINGS_STATES} onChange={setStrings} />
          <PillChoice legend="Position" value={position} options={POSITIONS} onChange={setPosition} />
          <FormField label="Tuning">
            {(w) => (
              <input {...w} className="field" value={tuning} onChange={(e) => setTuning(e.target.value)} />
            )}
          </FormField>
          <div className="grid grid-cols-3 gap-3">
            <FormField label="Temperature, °C" error={wrong(temperature)}>
              {(w) => (
                <input
                  {...w}
                  className="field"
                  inputMode="decimal"
                  value={temperature}
                  onChange={(e) => setTemperature(e.target.value)}
                />
              )}
            </FormField>
            <FormField label="Humidity, %" error={wrong(humidity)}>
              {(w) => (
                <input
                  {...w}
                  className="field"
                  inputMode="decimal"
                  value={humidity}
                  onChange={(e) => setHumidity(e.target.value)}
                />
              )}
            </FormField>
            <FormField label="Pitch, A in Hz" error={wrong(pitch)}>
              {(w) => (
                <input
                  {...w}
                  className="field"
                  inputMode="decimal"
                  placeholder="440"
                  value={pitch}
                  onChange={(e) => setPitch(e.target.value)}
                />
              )}
            </FormField>
          </div>
          <MethodChoice methods={methods} onChange={setMethods} />
          <GaugeChoice gauges={job.readings.gauges} chosen={gauges} onChange={setGauges} />
          <Trouble trouble={trouble} />
          <div className="flex justify-end gap-3">
            <button type="button" className="button" onClick={onClose}>
              Leave it
            </button>
            <button type="button" className="button button-main" disabled={busy} onClick={() => void save()}>
              Keep
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
