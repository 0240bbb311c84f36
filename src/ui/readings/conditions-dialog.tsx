'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { POSITIONS, STRINGS_STATES } from '../../core/readings/conditions.ts';
import { STRING_AGES } from '../../core/readings/set-on.ts';
import { tuningName } from '../../core/instrument/defaults.ts';
import { isOtherTuning } from '../../core/strings/hear-tuning.ts';
import type { Methods } from '../../core/readings/methods.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { GaugeChoice } from './gauge-choice.tsx';
import { MethodChoice } from './method-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import type { Fields } from '../data/edit-model.ts';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

type Round = LeafJob['readings']['rounds'][number];
interface Typed extends Fields {
  readonly strings: Round['strings'];
  readonly position: Round['position'];
  readonly tuning: string;
  readonly setOn: string;
  readonly setAge: Round['setAge'];
  readonly temperature: string;
  readonly humidity: string;
  readonly pitch: string;
  readonly methods: Methods;
  readonly gauges: NonNullable<Round['gauges']>;
}

const NUMBER = /^-?\d{1,3}(?:[.,]\d)?$/;
const toNumber = (text: string): number | null =>
  text.trim() === '' ? null : Number(text.replace(',', '.'));

interface Props {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly onClose: () => void;
}

/** What is wrong with a number that is typed; nothing where none is. */
const wrong = (text: string): string | undefined =>
  text.trim() !== '' && !NUMBER.test(text.trim()) ? 'A number, like 21 or 44,5' : undefined;

/** The conditions as they are typed, and how they are kept or left. */
function useConditions({ job, round, onClose }: Props) {
  const known = job.readings.rounds.find((r) => r.kind === round);
  const { give, busy, trouble } = useSend();
  const now: Typed = {
    strings: known?.strings ?? 'at-pitch',
    position: known?.position ?? 'playing',
    tuning: known?.tuning ?? job.readings.rounds[0]?.tuning ?? '',
    setOn: known?.setOn ?? '',
    setAge: known?.setAge ?? null,
    temperature: known?.temperature?.toString() ?? '',
    humidity: known?.humidity?.toString() ?? '',
    pitch: known?.pitch?.toString() ?? '',
    methods: known?.methods ?? job.readings.habits.methods,
    gauges: known?.gauges ?? {},
  };
  const edit = useEdit<Typed>(now, known?.version ?? 0, `conditions:${job.id}:${round}`);
  const { temperature, humidity, pitch } = edit.value;
  const save = async () => {
    if (wrong(temperature) || wrong(humidity) || wrong(pitch)) return;
    const done = await edit.save((value, version) =>
      give('readings.conditions', {
        ...value,
        jobId: job.id,
        round,
        version,
        temperature: toNumber(value.temperature),
        humidity: toNumber(value.humidity),
        pitch: toNumber(value.pitch),
      }),
    );
    if (done) onClose();
  };
  const leave = () => {
    edit.reset();
    onClose();
  };
  return { edit, save, leave, busy, trouble };
}

/** The air the instrument is in, and the pitch it is tuned to. */
function Air({
  typed: { temperature, humidity, pitch },
  onChange,
}: {
  readonly typed: Typed;
  readonly onChange: (part: Partial<Typed>) => void;
}) {
  const field = (label: string, value: string, put: (text: string) => void, hint?: string) => (
    <TextField
      label={label}
      error={wrong(value)}
      inputMode="decimal"
      {...(hint !== undefined && { placeholder: hint })}
      value={value}
      onChange={put}
    />
  );
  return (
    <div className="grid grid-cols-3 gap-3">
      {field('Temperature, °C', temperature, (text) => onChange({ temperature: text }))}
      {field('Humidity, %', humidity, (text) => onChange({ humidity: text }))}
      {field('Pitch, A in Hz', pitch, (text) => onChange({ pitch: text }), '440')}
    </div>
  );
}

/** Which set it is read with, how old that is, and in which tuning. */
function SetAndTuning({
  typed: { setOn, setAge, tuning },
  own,
  onChange,
}: {
  readonly typed: Typed;
  readonly own: LeafJob['instrument']['construction'];
  readonly onChange: (part: Partial<Typed>) => void;
}) {
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="String set"
          className="min-w-40 flex-1"
          maxLength={120}
          value={setOn}
          onChange={(text) => onChange({ setOn: text })}
        />
        <PillChoice
          legend="Strings are"
          value={setAge ?? 'not-said'}
          options={{ ...STRING_AGES, 'not-said': 'not said' }}
          onChange={(age) => onChange({ setAge: age === 'not-said' ? null : age })}
        />
      </div>
      <TextField label="Tuning" value={tuning} onChange={(text) => onChange({ tuning: text })} />
      {isOtherTuning(tuning, own.strings, own.perCourse) && (
        <p className="text-sm text-rubric">
          ◆ Its strings are tuned {tuningName(own.strings)}: what is read in another tuning is kept, and not
          used for a plan.
        </p>
      )}
    </>
  );
}

/** How the instrument is while a round is read; what is read from now on inherits it. */
export function ConditionsDialog({ job, round, onClose }: Props) {
  const { edit, save, leave, busy, trouble } = useConditions({ job, round, onClose });
  const { strings, position, methods, gauges } = edit.value;
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-wall/50 p-4">
        <DialogPanel className="w-full max-h-full max-w-2xl space-y-3 overflow-y-auto border border-plain bg-paper p-6">
          <DialogTitle className="text-xl">How it is while you read</DialogTitle>
          <PillChoice
            legend="Strings"
            value={strings}
            options={STRINGS_STATES}
            onChange={(v) => edit.set({ strings: v })}
          />
          <PillChoice
            legend="Position"
            value={position}
            options={POSITIONS}
            onChange={(v) => edit.set({ position: v })}
          />
          <SetAndTuning typed={edit.value} own={job.instrument.construction} onChange={edit.set} />
          <Air typed={edit.value} onChange={edit.set} />
          <MethodChoice methods={methods} onChange={(v) => edit.set({ methods: v })} />
          <GaugeChoice
            gauges={job.readings.gauges}
            chosen={gauges}
            onChange={(v) => edit.set({ gauges: v })}
          />
          <ConflictChoice edit={edit} />
          <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
          <div className="flex justify-end gap-3">
            <button type="button" className="button" onClick={leave}>
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
