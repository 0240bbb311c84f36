'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { useRouter } from 'next/navigation';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { toFileItems } from '../../contracts/formats/checklist-items.ts';
import type * as ChecklistsFormat from '../../contracts/formats/checklists.ts';
import { itemsFor, type Checklist, type ChecklistItem } from '../../core/inspection/checklist.ts';
import { diffChecklists, isSame } from '../../core/inspection/checklist-diff.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KIND_NAMES, type Kind } from '../../core/instrument/kinds.ts';
import type { Fields } from '../data/edit-model.ts';
import { TextField } from '../kit/text-field.tsx';
import { KindChoice } from '../instrument/kind-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { SortableItems } from './sortable-items.tsx';

const DiffView = lazyPart(() => import('./diff-view.tsx').then((m) => m.DiffView));
const ItemForm = lazyPart(() => import('./item-form.tsx').then((m) => m.ItemForm));

interface Draft extends Fields {
  readonly name: string;
  readonly ends: string;
  readonly items: readonly ChecklistItem[];
}

const draftOf = (list: Checklist): Draft => ({
  name: list.name,
  ends: list.ends.join(', '),
  items: list.items,
});

const endsOf = (text: string): string[] =>
  text
    .split(',')
    .map((e) => e.trim())
    .filter((e) => e !== '');

const moved = <T,>(all: readonly T[], from: number, to: number): T[] => {
  const next = [...all];
  next.splice(to, 0, ...next.splice(from, 1));
  return next;
};

type Format = typeof ChecklistsFormat;

/** What checks a list: it comes after the page, and until then nothing is questioned. */
function useFormat(): Format | null {
  const [format, setFormat] = useState<Format | null>(null);
  useEffect(() => {
    let gone = false;
    void import('../../contracts/formats/checklists.ts').then((it) => gone || setFormat(it));
    return () => {
      gone = true;
    };
  }, []);
  return format;
}

const NO_TROUBLES: ReadonlyMap<string, Record<string, string>> = new Map();

/** Troubles of the items by their key, then by the field's name in the format. */
function troubles(
  format: Format,
  items: readonly ChecklistItem[],
): ReadonlyMap<string, Record<string, string>> {
  const read = format.checklistItems.safeParse(toFileItems(items));
  const found = new Map<string, Record<string, string>>();
  for (const issue of read.error?.issues ?? []) {
    const key = items[Number(issue.path[0])]?.key ?? '';
    found.set(key, {
      ...found.get(key),
      [String(issue.path[1] ?? 'text')]: issue.code === 'too_small' ? 'This is not said yet.' : issue.message,
    });
  }
  return found;
}

/** A key for a new item that no other has: from what it asks, later never changed. */
function freshKey(items: readonly ChecklistItem[]): string {
  const taken = new Set(items.map((i) => i.key));
  for (let n = 1; ; n++) if (!taken.has(`own-${n}`)) return `own-${n}`;
}

/** Edits one list: order, items, conditions, the words it ends in; kept as its next version. Version 0 is a new list. */
export function ChecklistEditor({ list, may }: { readonly list: Checklist; readonly may: boolean }) {
  const router = useRouter();
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Draft>(draftOf(list), list.version, `checklist:${list.id}`);
  const draft = edit.value;
  const [current, setCurrent] = useState<string | null>(list.items[0]?.key ?? null);
  const [kind, setKind] = useState<Kind>('steel-acoustic');
  const change = edit.set;
  const edited = { name: draft.name, ends: endsOf(draft.ends), items: draft.items };
  const diff = diffChecklists(list, edited);
  const format = useFormat();
  const wrong = useMemo(() => (format ? troubles(format, draft.items) : NO_TROUBLES), [format, draft.items]);
  const asked = new Set(itemsFor(edited, usualConstruction(kind)).map((i) => i.key));
  const item = draft.items.find((i) => i.key === current);
  const groups = [...new Set(draft.items.map((i) => i.group))];
  const changes = diff.added.length + diff.removed.length + diff.moved.length + diff.changed.length;

  const add = () => {
    const key = freshKey(draft.items);
    const at = draft.items.findIndex((i) => i.key === current) + 1 || draft.items.length;
    const made: ChecklistItem = {
      key,
      group: item?.group ?? 'First look',
      phase: item?.phase ?? 'strings-on',
      title: '',
      help: '',
      when: { all: [] },
    };
    change({ items: [...draft.items.slice(0, at), made, ...draft.items.slice(at)] });
    setCurrent(key);
  };
  const save = async () => {
    const done = await edit.save((value, version) =>
      give('house.save-checklist', {
        list: list.id,
        name: value.name,
        ends: endsOf(value.ends),
        items: toFileItems(value.items),
        version,
      }),
    );
    if (done) router.push(`/house/checklists?list=${list.id}`);
  };
  return (
    <div className="grid gap-6 px-5 py-3 lg:grid-cols-[24rem_1fr]">
      <div className="space-y-3">
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Name of the list"
            maxLength={80}
            value={draft.name}
            onChange={(text) => change({ name: text })}
          />
          <KindChoice label="Preview for a" value={kind} onChange={setKind} />
        </div>
        <TextField
          label="Ends in one of these words, with commas between; or in none"
          value={draft.ends}
          onChange={(text) => change({ ends: text })}
        />
        <p role="status" className="text-sm text-quiet">
          {draft.items.length} items, {asked.size} asked of a {KIND_NAMES[kind].toLowerCase()} as it usually
          is
        </p>
        <div
          className="max-h-[calc(100vh-23rem)] min-h-60 overflow-y-auto border-t border-line"
          tabIndex={-1}
        >
          <SortableItems
            items={draft.items}
            current={current}
            asked={asked}
            onChoose={setCurrent}
            onMove={(from, to) => change({ items: moved(draft.items, from, to) })}
          />
        </div>
        <button type="button" className="button" onClick={add} disabled={!may}>
          Add an item after this one
        </button>
      </div>
      <div className="space-y-5">
        {item && (
          <section aria-label="Item" className="space-y-3">
            <Suspense>
              <ItemForm
                key={item.key}
                item={item}
                groups={groups}
                wrong={wrong.get(item.key) ?? {}}
                onChange={(next) =>
                  change({ items: draft.items.map((i) => (i.key === next.key ? next : i)) })
                }
              />
            </Suspense>
            <button
              type="button"
              className="button"
              onClick={() => {
                const at = draft.items.indexOf(item);
                change({ items: draft.items.filter((i) => i !== item) });
                setCurrent((draft.items[at + 1] ?? draft.items[at - 1])?.key ?? null);
              }}
            >
              Take this item out
            </button>
          </section>
        )}
        <section aria-labelledby="keep" className="space-y-3 border-t-2 border-plain pt-3">
          <h2 id="keep" className="text-xl">
            {isSame(diff)
              ? 'Nothing changed yet'
              : `${changes === 1 ? 'One change' : `${changes} changes`} since version ${list.version}`}
          </h2>
          {wrong.size > 0 && (
            <p className="text-rubric">
              ◆ Not yet said:{' '}
              {[...wrong.keys()]
                .map((k) => draft.items.find((i) => i.key === k)?.title || 'an item without words')
                .join(', ')}
            </p>
          )}
          <ConflictChoice edit={edit} names={{ name: 'Name', ends: 'Its last words', items: 'Items' }} />
          <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
          <div className="flex gap-3">
            <button
              type="button"
              className="button button-main"
              disabled={
                !may ||
                busy ||
                edit.conflicts.length > 0 ||
                isSame(diff) ||
                wrong.size > 0 ||
                draft.items.length === 0
              }
              onClick={() => void save()}
            >
              Keep as version {list.version + 1}
            </button>
            <button type="button" className="button" disabled={isSame(diff)} onClick={edit.reset}>
              Back to version {list.version}
            </button>
          </div>
          {!may && <p className="text-sm">A lead or the owner keeps lists; look around freely.</p>}
          <Suspense>
            <DiffView diff={diff} />
          </Suspense>
        </section>
      </div>
    </div>
  );
}
