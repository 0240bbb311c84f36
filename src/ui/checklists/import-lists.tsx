'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useId, useState, type ComponentProps } from 'react';
import { fromFileItems } from '../../contracts/formats/checklist-items.ts';
import type { ChecklistsFile } from '../../contracts/formats/checklists.ts';
import type { Checklist, ChecklistItem } from '../../core/inspection/checklist.ts';
import { diffChecklists, isSame } from '../../core/inspection/checklist-diff.ts';
import { FileField } from '../kit/file-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

const DiffView = lazyPart(() => import('./diff-view.tsx').then((m) => m.DiffView));

const WhatChanges = (props: ComponentProps<typeof DiffView>) => (
  <Suspense>
    <DiffView {...props} />
  </Suspense>
);

/** A list of the file, and its items as they would stand here. */
interface Found {
  readonly file: ChecklistsFile[number];
  readonly items: readonly ChecklistItem[];
}

const EMPTY = { name: '', ends: [], items: [] };

/** Takes lists from a file: says what is damaged, or what would change, before anything is kept. */
export function ImportLists({ lists }: { readonly lists: readonly Checklist[] }) {
  const id = useId();
  const { give, busy, trouble } = useSend();
  const [found, setFound] = useState<readonly Found[]>([]);
  const [wrong, setWrong] = useState('');
  const read = async (file: File) => {
    // What reads a file comes when there is one to read.
    const { readChecklists } = await import('../../contracts/formats/checklists.ts');
    const done = readChecklists(await file.text());
    setWrong(done.ok ? '' : done.error);
    setFound(done.ok ? done.value.map((l) => ({ file: l, items: fromFileItems(l.items) })) : []);
  };
  const keep = async (one: Found, version: number) => {
    const { id: list, name, ends, items } = one.file;
    if (await give('house.save-checklist', { list, name, ends, items, version })) {
      setFound((all) => all.filter((l) => l !== one));
    }
  };
  return (
    <section aria-labelledby={`${id}-title`} className="space-y-3">
      <h2 id={`${id}-title`} className="text-xl">
        Lists from a file
      </h2>
      <FileField
        label="A JSON file of checklists"
        accept=".json,application/json"
        wrong={wrong && `${wrong} Nothing was changed.`}
        onFile={(file) => void read(file)}
      />
      <Trouble trouble={trouble} />
      {found.map((each) => {
        const { file: one, items } = each;
        const now = lists.find((l) => l.id === one.id);
        const diff = diffChecklists(now ?? EMPTY, { ...one, items });
        return (
          <article key={one.id} aria-label={one.name} className="space-y-2 border border-line p-3">
            <h3 className="font-serif text-lg">
              {one.name}, {one.items.length} items
            </h3>
            {isSame(diff) ? (
              <p>The shop has this list just so.</p>
            ) : (
              <button
                type="button"
                className="button button-main"
                disabled={busy}
                onClick={() => void keep(each, now?.version ?? 0)}
              >
                Keep as version {(now?.version ?? 0) + 1}
              </button>
            )}
            <details>
              <summary className="min-h-11 cursor-pointer underline">What would change</summary>
              <WhatChanges diff={diff} />
            </details>
          </article>
        );
      })}
    </section>
  );
}
