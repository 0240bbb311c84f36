'use client';

import { DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { allAssumed } from '../../core/instrument/assumed.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { draftOf, readConstruction, type ConstructionDraft, type DraftErrors } from './construction-draft.ts';
import { ConstructionFields } from './construction-fields.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import type { Fields } from '../data/edit-model.ts';
import { useEdit } from '../data/use-edit.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

interface Typed extends Fields {
  readonly maker: string;
  readonly model: string;
  readonly year: string;
  readonly yearFrom: string;
  readonly serial: string;
  readonly kind: string;
  readonly draft: ConstructionDraft;
}

const NAMED: ReadonlyArray<
  readonly [field: 'maker' | 'model' | 'serial' | 'year' | 'yearFrom', label: string, max: number]
> = [
  ['maker', 'Maker', 80],
  ['model', 'Model', 120],
  ['serial', 'Serial number', 60],
  ['year', 'Year', 20],
  ['yearFrom', 'Where the date was found', 120],
];

function typedOf({ instrument }: LeafJob<'kinds'>): Typed {
  const { maker, model, year, yearFrom, serial, kind, construction } = instrument;
  return { maker, model, year, yearFrom, serial, kind, draft: draftOf(construction) };
}

interface Props {
  readonly job: LeafJob<'kinds'>;
  readonly onClose: () => void;
}

/** What is typed of an instrument, and how it is kept or left. */
function useInstrument({ job, onClose }: Props) {
  const { give, busy, trouble } = useSend();
  const { id: instrumentId, version } = job.instrument;
  const edit = useEdit<Typed>(typedOf(job), version, `instrument:${instrumentId}`);
  const typed = edit.value;
  const [errors, setErrors] = useState<DraftErrors>({});
  const change = edit.set;
  const chooseKind = (id: string) => {
    const kind = job.kinds.find((k) => k.id === id);
    if (kind)
      change({
        kind: id,
        draft: draftOf({ ...allAssumed(kind.usual), leftHanded: typed.draft.facts.leftHanded }),
      });
  };
  const keep = async () => {
    const read = await readConstruction(typed.draft);
    setErrors(read.ok ? {} : read.error);
    if (!read.ok) return;
    const { maker, model, year, yearFrom, serial, kind } = typed;
    const named = { maker, model, year, yearFrom, serial, kind };
    const construction = { ...read.value, strings: [...read.value.strings] };
    const done = await edit.save((_, began) =>
      give('shelf.change-instrument', { instrumentId, version: began, ...named, construction }),
    );
    if (done) onClose();
  };
  const leave = () => {
    edit.reset();
    onClose();
  };
  return { edit, errors, chooseKind, keep, leave, busy, trouble };
}

/** The form over what an instrument is. */
export function InstrumentEditing({ job, onClose }: Props) {
  const { edit, errors, chooseKind, keep, leave, busy, trouble } = useInstrument({ job, onClose });
  const { value: typed, set: change } = edit;
  return (
    <DialogPanel className="max-h-[94vh] w-full max-w-4xl space-y-3 overflow-y-auto border border-plain bg-paper p-5">
      <DialogTitle className="text-xl">What this instrument is</DialogTitle>
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        <FormField label="Kind">
          {(w) => (
            <ListChoice
              {...w}
              value={typed.kind}
              items={job.kinds
                .filter((k) => !k.retired || k.id === job.instrument.kind)
                .map((k) => ({ value: k.id, name: k.name }))}
              onChange={chooseKind}
            />
          )}
        </FormField>
        {NAMED.map(([field, label, max]) => (
          <TextField
            key={field}
            label={label}
            maxLength={max}
            value={typed[field]}
            onChange={(text) => change({ [field]: text })}
          />
        ))}
      </div>
      <ConstructionFields draft={typed.draft} errors={errors} onChange={(draft) => change({ draft })} />
      <ConflictChoice
        edit={edit}
        names={{ ...Object.fromEntries(NAMED), draft: 'How it is built', kind: 'Kind' }}
      />
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
      <div className="flex justify-end gap-3">
        <button type="button" className="button" onClick={leave}>
          Leave it as it was
        </button>
        <button
          type="button"
          className="button button-main"
          disabled={busy || edit.conflicts.length > 0}
          onClick={() => void keep()}
        >
          Keep
        </button>
      </div>
    </DialogPanel>
  );
}
