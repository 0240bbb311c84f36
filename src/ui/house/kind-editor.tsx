'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { sayScales } from '../../core/instrument/read-scales.ts';
import { KIND_NAMES } from '../../core/instrument/kinds.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import {
  draftOf,
  readConstruction,
  type ConstructionDraft,
  type DraftErrors,
} from '../instrument/construction-draft.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

const KindChoice = lazyPart(() => import('../instrument/kind-choice.tsx').then((m) => m.KindChoice));
const ConstructionFields = lazyPart(() =>
  import('../instrument/construction-fields.tsx').then((m) => m.ConstructionFields),
);

interface Editing {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly draft: ConstructionDraft;
}

const fresh = (): Editing => ({
  id: '',
  version: 0,
  name: '',
  draft: draftOf(usualConstruction('steel-acoustic')),
});

/** A kind as it is typed, and how it is kept. */
function useKind(first: Editing, onDone: () => void) {
  const { give, busy, trouble } = useSend();
  const began = { name: first.name, draft: first.draft };
  const edit = useEdit(began, first.version, `kind:${first.id || 'new'}`);
  const [errors, setErrors] = useState<DraftErrors>({});
  const { draft } = edit.value;
  const keep = async () => {
    const read = await readConstruction(draft);
    setErrors(read.ok ? {} : read.error);
    if (!read.ok) return;
    const construction = { ...read.value, strings: [...read.value.strings] };
    const done = await edit.save(async (value, version) => {
      const kept = await give('house.save-kind', { id: first.id, version, name: value.name, construction });
      return kept && { version: version + 1 };
    });
    if (done) leave();
  };
  const leave = () => {
    edit.reset();
    onDone();
  };
  return { edit, errors, keep, leave, busy, trouble };
}

function Form({ first, onDone }: { readonly first: Editing; readonly onDone: () => void }) {
  const { edit, errors, keep, leave, busy, trouble } = useKind(first, onDone);
  const { name, draft } = edit.value;
  const fields = trouble && 'fields' in trouble ? trouble.fields : {};
  return (
    <section
      aria-label={first.id === '' ? 'A new kind' : first.name}
      className="space-y-3 border border-plain p-4"
    >
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          label="Name of the kind"
          error={fields['name']}
          maxLength={60}
          value={name}
          onChange={(text) => edit.set({ name: text })}
        />
        <Suspense>
          <KindChoice
            label="Goes by the rules of a"
            value={draft.facts.kind}
            onChange={(kind) => edit.set({ draft: { ...draft, facts: { ...draft.facts, kind } } })}
          />
        </Suspense>
      </div>
      <p className="text-sm text-quiet">
        Its rules: targets, the kinds the checklists name, the outline damage is marked on. What is usual for
        it:
      </p>
      <Suspense>
        <ConstructionFields draft={draft} errors={errors} onChange={(d) => edit.set({ draft: d })} />
      </Suspense>
      <ConflictChoice edit={edit} names={{ name: 'Name', draft: 'How it is built' }} />
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
      <div className="flex gap-3">
        <button
          type="button"
          className="button button-main"
          disabled={busy || name.trim() === '' || edit.conflicts.length > 0}
          onClick={() => void keep()}
        >
          Keep this kind
        </button>
        <button type="button" className="button" onClick={leave}>
          Not now
        </button>
      </div>
    </section>
  );
}

/** What may be done with a kind of the shop's own: changed, offered no longer or again, deleted while none is of it. */
function OwnKind({ kind: k, onChange }: { readonly kind: OfferedKind; readonly onChange: () => void }) {
  const { give, busy, trouble } = useSend();
  const { id, version } = k;
  const button = (words: string, onClick: () => void) => (
    <button type="button" className="button px-3" disabled={busy} onClick={onClick}>
      {words}
      <span className="sr-only"> {k.name}</span>
    </button>
  );
  return (
    <span className="flex flex-wrap items-center justify-end gap-2 py-1">
      <Trouble trouble={trouble} />
      {button('Change', onChange)}
      {button(
        k.retired ? 'Offer again' : 'Offer no longer',
        () => void give('house.retire-kind', { id, version, retired: !k.retired }),
      )}
      {button('Delete', () => void give('house.delete-kind', { id, version }))}
    </span>
  );
}

/** The kinds of instrument the shop offers, and its own added without code. */
export function KindEditor({
  kinds,
  may,
}: {
  readonly kinds: readonly OfferedKind[];
  readonly may: boolean;
}) {
  const [editing, setEditing] = useState<Editing | null>(null);
  const newest = (e: Editing): Editing => {
    const k = kinds.find((x) => x.id === e.id);
    return k ? { id: k.id, version: k.version, name: k.name, draft: draftOf(k.usual) } : e;
  };
  return (
    <div className="max-w-4xl space-y-4 px-5 py-3">
      <ul>
        {kinds.map((k) => (
          <li key={k.id} className="flex min-h-11 items-center justify-between gap-4 border-b border-line">
            <span>
              <b>{k.name}</b>{' '}
              <span className="text-sm text-quiet">
                {k.own ? `by the rules of a ${KIND_NAMES[k.usual.kind].toLowerCase()}` : 'ships with Rubrica'}
                , {k.usual.strings.length} strings, {sayScales(k.usual)}
                {k.retired && ', not offered any more'}
              </span>
            </span>
            {k.own && may && (
              <OwnKind
                kind={k}
                onChange={() =>
                  setEditing({ id: k.id, version: k.version, name: k.name, draft: draftOf(k.usual) })
                }
              />
            )}
          </li>
        ))}
      </ul>
      {editing ? (
        <Form key={editing.id} first={newest(editing)} onDone={() => setEditing(null)} />
      ) : (
        may && (
          <button type="button" className="button" onClick={() => setEditing(fresh())}>
            Add a kind
          </button>
        )
      )}
    </div>
  );
}
