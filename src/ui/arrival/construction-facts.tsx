'use client';

import { ASSUMED_FACTS, type AssumedFact, isAssumed } from '../../core/instrument/assumable.ts';
import { useState } from 'react';
import { changedFrom, saidOf } from '../../core/instrument/assumed.ts';
import { BUILT_LABELS, sayBuilt } from '../../core/instrument/say-facts.ts';
import { useSend } from '../data/use-send.ts';
import { FactRow, type Word } from '../instrument/fact-row.tsx';
import type { LeafJob } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';

interface Props {
  readonly job: LeafJob<'kinds'>;
  readonly may: boolean;
}

type Built = LeafJob['instrument']['construction'];

/** Says how it is built, whose word each fact is with it. */
function useSaying({ job }: Pick<Props, 'job'>) {
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
function LookedAt({ job }: Pick<Props, 'job'>) {
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

const SHOWN = ASSUMED_FACTS.filter((f) => f !== 'gauges' && f !== 'tuning');

/** How the instrument is built, as far as somebody said or saw it. */
export function ConstructionFacts({ job, may }: Props) {
  const c = job.instrument.construction;
  const { serial, year, yearFrom } = job.instrument;
  const wordOf = (f: AssumedFact): Word => (isAssumed(c, f) ? 'usual' : 'said');
  const fact = (f: AssumedFact) => {
    const value = sayBuilt(c, f);
    return value && <FactRow key={f} name={BUILT_LABELS[f]} value={value} word={wordOf(f)} />;
  };
  return (
    <div className="text-sm">
      <dl>
        <FactRow name="Serial" value={serial || 'none read'} word={serial ? 'said' : 'nobody'} />
        {year && <FactRow name="Year" value={[year, yearFrom].filter(Boolean).join(', ')} />}
        {SHOWN.slice(0, 2).map(fact)}
        <FactRow
          name="Strings"
          value={`${c.strings.length}${c.leftHanded ? ', left-handed' : ''}`}
          word={wordOf('tuning')}
        />
        {SHOWN.slice(2).map(fact)}
      </dl>
      {may && <LookedAt job={job} />}
    </div>
  );
}
