'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { dropDraft, readDraft, saveDraft } from './draft.ts';
import {
  acknowledged,
  arrived,
  conflicts,
  mineOver,
  shown,
  theirsStand,
  typed,
  type Edit,
  type Fields,
} from './edit-model.ts';

/** How a form gives what it holds: the version to send and what to answer to, or null when it was not kept. */
type Save<V> = (value: V, version: number) => Promise<{ readonly version: number } | null>;

/**
 * A form over a value of the house. It freezes the value and its version at the first keystroke, keeps what is typed on
 * this tablet, lets nothing that arrives change it, and shows what a colleague saved over the same fields before it sends.
 * @param value what the house holds now
 * @param version its version
 * @param key where the draft is kept: the same for the same thing, on every screen
 */
export function useEdit<V extends Fields>(value: V, version: number, key: string) {
  const live = { value, version };
  const now = useRef(live);
  now.current = live;
  const [edit, setEdit] = useState<Edit<V> | null>(null);
  const current = useRef(edit);
  const store = `edit:${key}`;

  const put = useCallback(
    (next: Edit<V> | null) => {
      current.current = next;
      setEdit(next);
      if (next === null || Object.keys(next.mine).length === 0) dropDraft(store);
      else saveDraft(store, next);
    },
    [store],
  );

  // A draft of before a reload stands on what it began from, and meets what was saved since like any other.
  useEffect(() => {
    const kept = readDraft<Edit<V>>(store);
    current.current = kept && arrived(kept, now.current);
    setEdit(current.current);
  }, [store]);
  useEffect(() => {
    const next = arrived(current.current, now.current);
    if (next !== current.current) put(next);
  }, [version, value, put]);

  const save = async (give: Save<V>): Promise<boolean> => {
    const sent = current.current ?? typed(null, now.current, {});
    if (sent.theirs) return false;
    const done = await give(shown(sent, sent.base), sent.base.version);
    if (done) put(acknowledged(current.current, sent, done.version));
    return done !== null;
  };

  return {
    /** what the form shows */
    value: shown(edit, live),
    /** the version it began from */
    version: edit?.base.version ?? version,
    changed: edit !== null && Object.keys(edit.mine).length > 0,
    conflicts: conflicts(edit),
    set: (part: Partial<V>) => put(typed(current.current, now.current, part)),
    /** forgets what was typed */
    reset: () => put(null),
    save,
    mineOver: () => current.current && put(mineOver(current.current)),
    theirsStand: () => current.current && put(theirsStand(current.current)),
  };
}
