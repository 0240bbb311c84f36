'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { sayLeft } from '../../core/days/say-left.ts';
import { stringName, type Construction } from '../../core/instrument/construction.ts';
import { STRING_SETS } from '../../core/strings/string-sets.ts';
import { readGauges } from '../desk/read-gauges.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { useNow } from '../frame/bell.tsx';

const inThou = (mm: number): string => `.${String(Math.round(mm / 0.0254)).padStart(3, '0')}`;

/** The strings of an instrument, some of which are meant: lowest first, as they lie. */
function SomeStrings({
  legend,
  construction,
  chosen,
  onChange,
}: {
  readonly legend: string;
  readonly construction: Construction;
  readonly chosen: readonly number[];
  readonly onChange: (chosen: readonly number[]) => void;
}) {
  const count = construction.strings.length;
  return (
    <fieldset>
      <legend className="mb-1 block text-sm font-bold">{legend}</legend>
      <div className="flex flex-wrap gap-x-3">
        {construction.strings.map((s, i) => {
          const number = count - i;
          return (
            <label key={number} className="flex min-h-11 items-center gap-1">
              <input
                type="checkbox"
                className="h-5 w-5"
                checked={chosen.includes(number)}
                onChange={(e) =>
                  onChange(e.target.checked ? [...chosen, number] : chosen.filter((n) => n !== number))
                }
              />
              {stringName(construction, number)} {s.note}
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}

interface Step {
  readonly id: number;
  readonly version: number;
  readonly title: string;
}

/** Which set is on, by name and gauges; what is typed wins over the set that was chosen. */
function useSet(construction: Construction) {
  const now = construction.strings;
  const sets = STRING_SETS.filter(
    (s) => s.kinds.includes(construction.kind) && s.strings.length === now.length,
  );
  const [setId, setSetId] = useState('');
  const [gauges, setGauges] = useState(now.map((s) => inThou(s.gauge)).join(' '));
  const [wound, setWound] = useState(now.map((s) => s.wound));
  const choose = (id: string) => {
    setSetId(id);
    const set = sets.find((s) => s.id === id);
    if (!set) return;
    setGauges(set.strings.map((s) => inThou(s.gauge)).join(' '));
    setWound(set.strings.map((s) => s.kind === 'wound'));
  };
  const read = () => {
    const said = readGauges(gauges, now);
    if (!said.ok) return said;
    return { ok: true as const, value: said.value.map((s, i) => ({ ...s, wound: wound[i] ?? s.wound })) };
  };
  return { sets, setId, choose, gauges, setGauges, read, name: sets.find((s) => s.id === setId)?.name ?? '' };
}

const NEW = { all: 'new, all of them', some: 'new, some of them', old: 'the old ones' } as const;

interface Meant {
  readonly id: number;
  readonly stringsState: string;
  readonly construction: Construction;
  /** the rests that run: after what, and until when (ms) */
  readonly waits: readonly { readonly title: string; readonly until: number }[];
}

/** What is said of the strings that went on, as typed; `read` says it as the command or what is wrong at which field. */
function useWhatIsOn(job: Meant, steps: readonly Step[], onlySome: boolean) {
  const set = useSet(job.construction);
  const [fresh, setFresh] = useState<keyof typeof NEW>(onlySome ? 'some' : 'all');
  const [newOnes, setNewOnes] = useState<readonly number[]>([]);
  const [broke, setBroke] = useState<readonly number[]>([]);
  const [brokeNote, setBrokeNote] = useState('');
  const [step, setStep] = useState(String(steps[0]?.id ?? ''));
  const [without, setWithout] = useState('');
  const [wrong, setWrong] = useState<{ readonly gauges?: string; readonly ones?: string }>({});
  const read = () => {
    const said = set.read();
    const none = fresh === 'some' && newOnes.length === 0;
    setWrong({ ...(!said.ok && { gauges: said.error }), ...(none && { ones: 'Which are new?' }) });
    if (!said.ok || none) return null;
    const finishes = steps.find((s) => String(s.id) === step);
    return {
      jobId: job.id,
      setName: set.name,
      fresh: fresh !== 'old',
      ...(fresh === 'some' && { newOnes: [...newOnes] }),
      ...(broke.length > 0 && { broke: [...broke], brokeNote }),
      strings: [...said.value],
      ...(finishes && { finishes: { lineId: finishes.id, version: finishes.version } }),
      ...(without.trim() !== '' && { without }),
    };
  };
  return {
    ...{ set, fresh, setFresh, newOnes, setNewOnes, broke, setBroke },
    ...{ brokeNote, setBrokeNote, step, setStep, without, setWithout, wrong, read },
  };
}
type WhatIsOn = ReturnType<typeof useWhatIsOn>;

function WhichSet({ said }: { readonly said: WhatIsOn }) {
  const { set } = said;
  return (
    <>
      <FormField label="Set">
        {(w) => (
          <ListChoice
            {...w}
            value={set.setId}
            items={[
              { value: '', name: 'as written below' },
              ...set.sets.map((s) => ({ value: s.id, name: s.name })),
            ]}
            onChange={set.choose}
          />
        )}
      </FormField>
      <TextField
        label="Gauges, lowest first"
        error={said.wrong.gauges}
        value={set.gauges}
        onChange={set.setGauges}
      />
    </>
  );
}

function WhatBroke({ said, construction }: { readonly said: WhatIsOn; readonly construction: Construction }) {
  return (
    <>
      <SomeStrings
        legend="What broke, if anything"
        construction={construction}
        chosen={said.broke}
        onChange={said.setBroke}
      />
      {said.broke.length > 0 && (
        <TextField
          label="Where and how it broke"
          maxLength={200}
          value={said.brokeNote}
          onChange={said.setBrokeNote}
        />
      )}
    </>
  );
}

function WhichStep({ said, steps }: { readonly said: WhatIsOn; readonly steps: readonly Step[] }) {
  if (steps.length === 0) return null;
  return (
    <FormField label="This finishes the step">
      {(w) => (
        <ListChoice
          {...w}
          value={said.step}
          items={[
            ...steps.map((s) => ({ value: String(s.id), name: s.title })),
            { value: '', name: 'none: they are on for the moment' },
          ]}
          onChange={said.setStep}
        />
      )}
    </FormField>
  );
}

/** Where it rests still, so; the step that stringing is waits for that, but with a reason. */
function StillRests({ said, job: { waits } }: { readonly said: WhatIsOn; readonly job: Meant }) {
  const now = useNow();
  const [rest] = waits.filter((w) => w.until > now);
  if (!rest || now === 0) return null;
  return (
    <>
      <p className="text-rubric">
        ◆ It rests after “{rest.title}”: {sayLeft(now, rest.until)} left.
      </p>
      <TextField
        label="Why strings went on all the same"
        maxLength={200}
        value={said.without}
        onChange={said.setWithout}
      />
    </>
  );
}

/** Says which strings went on: the set, which are new, what broke. The step that was for it is finished with it. */
export function PutOn({
  job,
  steps,
  onClose,
}: {
  readonly job: Meant;
  /** the steps this may be, the likely one first */
  readonly steps: readonly Step[];
  readonly onClose: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const on = job.stringsState !== 'off' && steps.length === 0;
  const said = useWhatIsOn(job, steps, on);
  const { construction } = job;
  const put = async () => {
    const input = said.read();
    if (input && (await give('strings.on', input))) onClose();
  };
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-wall/50 p-4">
        <DialogPanel className="max-h-[92vh] w-full max-w-xl space-y-3 overflow-y-auto border border-plain bg-paper p-6">
          <DialogTitle className="text-xl">
            {on ? 'Strings that were replaced' : 'Put strings on'}
          </DialogTitle>
          <StillRests said={said} job={job} />
          <PillChoice legend="These strings are" value={said.fresh} options={NEW} onChange={said.setFresh} />
          {said.fresh === 'some' && (
            <>
              <SomeStrings
                legend="New are"
                construction={construction}
                chosen={said.newOnes}
                onChange={said.setNewOnes}
              />
              {said.wrong.ones && <p className="text-rubric">◆ {said.wrong.ones}</p>}
            </>
          )}
          <WhichSet said={said} />
          <WhatBroke said={said} construction={construction} />
          <WhichStep said={said} steps={steps} />
          <p className="text-sm text-quiet">
            Relief, action and intonation are to be read again; new readings belong to “After work”. String
            ends and strings under tension: eyes.
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
      </div>
    </Dialog>
  );
}
