'use client';

import Link from '../kit/link.tsx';
import { isAssumed } from '../../core/instrument/assumable.ts';
import { gaugeSpan, tuningName } from '../../core/instrument/defaults.ts';
import { ENDS } from '../../core/hand-over/ends.ts';
import { LEAF_NAMES, LEAVES, type Leaf, type LeafState } from '../../core/job/leaves.ts';
import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import { sayTouch } from '../../core/targets/target.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayDay, todayIso } from '../kit/dates.ts';
import { Presence } from '../data/presence.tsx';
import { ShowsJob } from '../data/shows-job.tsx';

function Mark({ state }: { readonly state: LeafState }) {
  switch (state.kind) {
    case 'done':
      return (
        <span>
          <span aria-hidden>✓</span>
          <span className="sr-only">done</span>
        </span>
      );
    case 'trouble':
      return (
        <span className="font-serif font-bold text-rubric" title={state.why}>
          {state.count}
          <span className="sr-only"> {state.why}</span>
        </span>
      );
    default:
      return null;
  }
}

function Chips({ job }: { readonly job: LeafJob }) {
  const chip = 'flex min-h-8 items-center rounded border bg-card px-3 text-sm';
  return (
    <div className="ml-auto flex flex-wrap items-center gap-2">
      <span className={`${chip} border-line`}>
        {[sayTouch(job.touch), job.plays].filter(Boolean).join(', ')}
      </span>
      {job.mattersFor && <span className={`${chip} border-line`}>{job.mattersFor}</span>}
      {job.neededBy && (
        <span className={`${chip} ${job.hardDate ? 'border-rubric text-rubric' : 'border-line'}`}>
          {job.hardDate && '◆ '}
          {job.hardReason || 'needed'} {sayDay(job.neededBy, todayIso())}
        </span>
      )}
      {job.stringsState !== 'at-pitch' && job.state === 'open' && (
        <span className={`${chip} border-rubric text-rubric`}>◆ {STRINGS_STATES[job.stringsState]}</span>
      )}
      {job.state === 'closed' &&
        (job.handOver.signedAt === null ? (
          <span className={`${chip} border-plain`}>{ENDS[job.handOver.ending.is].name.toLowerCase()}</span>
        ) : (
          <span className={`${chip} border-seal text-seal`}>✒ signed and closed</span>
        ))}
      {job.holder && <span className={`${chip} border-line text-ink`}>{job.holder}</span>}
    </div>
  );
}

/** The head of every leaf: whose, what, when, and the six leaves as tabs. */
export function JobHead({ job, leaf }: { readonly job: LeafJob; readonly leaf: Leaf }) {
  const { instrument } = job;
  return (
    <header className="no-print">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-2">
        <p className="font-serif text-3xl font-bold">{job.number}</p>
        <div>
          <h1 className="text-xl leading-tight">
            {instrument.name} {instrument.kindName.toLowerCase()}
            {instrument.year && `, ${instrument.year}`}
          </h1>
          <p className="text-sm text-quiet">
            {job.customer.name} · {job.place ?? 'no place'} ·{' '}
            {isAssumed(instrument.construction, 'gauges') ? 'strings, usually' : 'strings'}{' '}
            {gaugeSpan(instrument.construction.strings)}, {tuningName(instrument.construction.strings)}
          </p>
        </div>
        <Chips job={job} />
        <Presence number={job.number} leaf={leaf} />
        <ShowsJob number={job.number} />
      </div>
      <nav aria-label="Leaves of the job" className="flex gap-1 overflow-x-auto border-b-2 border-plain px-5">
        {LEAVES.map((l) => (
          <Link
            key={l}
            href={`/job/${job.number}/${l}`}
            aria-current={l === leaf ? 'page' : undefined}
            className={`flex min-h-11 items-center gap-2 px-4 ${l === leaf ? 'bg-plain font-bold text-paper' : 'bg-shade hover:bg-line'}`}
          >
            {l !== leaf && <Mark state={job.leaves[l]} />}
            {LEAF_NAMES[l]}
          </Link>
        ))}
        <Link
          href={`/job/${job.number}/history`}
          className="ml-auto flex min-h-11 items-center px-3 text-sm text-quiet underline"
        >
          History
        </Link>
      </nav>
    </header>
  );
}
