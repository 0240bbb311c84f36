'use client';

import { useState } from 'react';
import { ASSUMED_FACTS } from '../../core/instrument/assumable.ts';
import { changedFrom, saidOf } from '../../core/instrument/assumed.ts';
import { useSend } from '../data/use-send.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';

interface Props {
  readonly job: LeafJob<'kinds'>;
}

type Built = LeafJob['instrument']['construction'];

/** Says how it is built, whose word each fact is with it. */
function useSaying({ job }: Props) {
  const { give, busy, trouble } = useSend();
  const { id: instrumentId, version, maker, model, year, yearFrom, serial, kind } = job.instrument;
  const say = ({ strings, assumed, ...facts }: Built) =>
    give('shelf.change-instrument', {
      ...{ instrumentId, version, maker, model, year, yearFrom, serial, kind },
      construction: { ...facts, strings: [...strings], ...(assumed && { assumed: [...assumed] }) },
    });
  return { say, busy, trouble };
}

/** Somebody has looked, and it is all as it was taken; pressed by mistake, that is taken back. */
export function LookedAt({ job }: Props) {
  const { say, busy, trouble } = useSaying({ job });
  const [before, setBefore] = useState<Built | null>(null);
  const { construction } = job.instrument;
  const unseen = (construction.assumed ?? []).length > 0;
  if (!unseen && before === null) return null;
  const looked = async () => {
    if (await say(saidOf(construction, ASSUMED_FACTS))) setBefore(construction);
  };
  const back = async () => {
    // What was put right meanwhile stays as it was put right.
    if (before && (await say(changedFrom(before, { ...construction, assumed: before.assumed }))))
      setBefore(null);
  };
  return (
    <div className="flex flex-wrap items-center justify-between gap-2 pt-2">
      <p className="max-w-52 text-quiet">
        {unseen ? '“Usually”: nobody has looked yet.' : 'Looked at just now.'}
      </p>
      {unseen ? (
        <button type="button" className="button" disabled={busy} onClick={() => void looked()}>
          Looked at: it is so
        </button>
      ) : (
        <button type="button" className="button" disabled={busy} onClick={() => void back()}>
          Take it back: nobody looked
        </button>
      )}
      <Trouble trouble={trouble} />
    </div>
  );
}
