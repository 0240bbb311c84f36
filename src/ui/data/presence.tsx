'use client';

import { useEffect } from 'react';
import { LEAF_NAMES, type Leaf } from '../../core/job/leaves.ts';
import type { PresentPerson } from '../../server/people/presence.ts';
import { setOthers, useItem, useOthers } from './present-people.ts';

const EVERY_MS = 6000;

/** Who else is on this job, on which leaf; and tells them that this tablet is here. */
export function Presence({ number, leaf }: { readonly number: number; readonly leaf: Leaf }) {
  const others = useOthers();
  const item = useItem();
  useEffect(() => {
    let gone = false;
    const say = async () => {
      if (document.visibilityState === 'hidden') return;
      const answer = await fetch('/api/presence', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ number, leaf, item }),
      }).catch(() => null);
      const heard = answer?.ok ? ((await answer.json().catch(() => [])) as PresentPerson[]) : [];
      if (!gone) setOthers(heard);
    };
    void say();
    const timer = setInterval(() => void say(), EVERY_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [number, leaf, item]);
  useEffect(() => () => setOthers([]), [number]);
  return (
    <p aria-live="polite" className={others.length === 0 ? '-ml-5' : 'flex gap-2'}>
      {others.map((o) => (
        <span
          key={o.name}
          className="flex min-h-8 items-center rounded border border-dashed border-ink bg-card px-3 text-sm text-ink"
        >
          {o.name} is here: {LEAF_NAMES[o.leaf as Leaf] ?? o.leaf}
        </span>
      ))}
    </p>
  );
}
