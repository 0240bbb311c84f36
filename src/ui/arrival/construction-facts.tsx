'use client';

import { Suspense } from 'react';
import { ASSUMED_FACTS, type AssumedFact, isAssumed } from '../../core/instrument/assumable.ts';
import { BUILT_LABELS, sayBuilt } from '../../core/instrument/say-facts.ts';
import { FactRow, type Word } from '../instrument/fact-row.tsx';
import type { LeafJob } from '../job/leaf-props.ts';
import { lazyPart } from '../kit/lazy-part.ts';

const LookedAt = lazyPart(() => import('./looked-at.tsx').then((m) => m.LookedAt));

interface Props {
  readonly job: LeafJob<'kinds'>;
  readonly may: boolean;
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
      {may && (
        <Suspense>
          <LookedAt job={job} />
        </Suspense>
      )}
    </div>
  );
}
