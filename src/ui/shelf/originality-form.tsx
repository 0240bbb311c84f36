'use client';

import {
  ORIGINAL_PARTS,
  PART_STATES,
  type OriginalPart,
  type PartState,
} from '../../core/learn/originality.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

type Said = Biography['originality'][number];

const asSaid = (said: Said | undefined) => ({
  state: said?.state ?? ('unknown' as PartState),
  knownBy: said?.knownBy ?? '',
  lookedUp: said?.lookedUp ?? '',
});

/** What is said of one part, as it is changed. */
export function PartForm({
  instrumentId,
  part,
  said,
  onDone,
}: {
  readonly instrumentId: number;
  readonly part: OriginalPart;
  readonly said: Said | undefined;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(asSaid(said), said?.version ?? 0, `originality:${instrumentId}:${part}`);
  return (
    <form
      aria-label={`${ORIGINAL_PARTS[part]}: is it original?`}
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void edit
          .save((v, version) => give('shelf.originality', { instrumentId, part, ...v, version }))
          .then((kept) => kept && onDone());
      }}
    >
      <PillChoice
        quiet
        legend={`${ORIGINAL_PARTS[part]} is`}
        value={edit.value.state}
        options={PART_STATES}
        onChange={(state) => edit.set({ state })}
      />
      <TextField
        label="By what that is known"
        maxLength={200}
        value={edit.value.knownBy}
        onChange={(knownBy) => edit.set({ knownBy })}
      />
      <TextField
        label="What was looked up, and where"
        maxLength={300}
        value={edit.value.lookedUp}
        onChange={(lookedUp) => edit.set({ lookedUp })}
      />
      <ConflictChoice edit={edit} />
      <div className="flex gap-2">
        <button type="submit" className="button button-main" disabled={busy || edit.conflicts.length > 0}>
          Keep it
        </button>
        <button type="button" className="button" onClick={onDone}>
          Leave it
        </button>
      </div>
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}
