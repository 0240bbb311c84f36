'use client';

import { useMemo } from 'react';
import type { NoiseHeard } from '../../core/ear/noise-round.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { holds } from '../../core/instrument/condition.ts';
import { asRead } from '../../core/hunt/as-read.ts';
import { CAUSES, type CauseId } from '../../core/hunt/causes.ts';
import { FOUND, weigh, type Weighed } from '../../core/hunt/hunt.ts';
import type { TryId } from '../../core/hunt/tries.ts';
import { useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';
import { Limit, Spent } from './hunt-limit.tsx';
import { NextTry, Trail } from './hunt-tries.tsx';

type Job = LeafProps<'plan'>['job'];
type Hunt = Job['plan']['hunt'];
type Give = ReturnType<typeof useSend>['give'];

interface Props {
  readonly job: Job;
  readonly allowed: LeafProps<'plan'>['allowed'];
}

const SHOWN = 6;
const percent = (chance: number): string =>
  chance < 0.005 ? 'hardly' : `${Math.max(1, Math.min(99, Math.round(100 * chance)))} %`;

/** What may still be the cause, the likeliest first. */
function Causes({
  weighed,
  may,
  onFound,
}: {
  readonly weighed: readonly Weighed[];
  readonly may: boolean;
  readonly onFound: (cause: CauseId) => void;
}) {
  return (
    <section aria-label="What it may be">
      <h3 className="font-semibold">What it may be</h3>
      <ol className="divide-y divide-line border-y border-line">
        {weighed.slice(0, SHOWN).map(({ cause, chance }) => (
          <li key={cause} className="flex items-center gap-3 py-1">
            <span className="w-14 shrink-0 text-right tabular-nums">{percent(chance)}</span>
            <span className="h-3 w-24 shrink-0 border border-line bg-card" aria-hidden="true">
              <span className="block h-full bg-plain" style={{ width: `${100 * chance}%` }} />
            </span>
            <span className={chance >= FOUND ? 'font-bold' : ''}>{CAUSES[cause].name}</span>
            {may && (
              <button
                type="button"
                className="button ml-auto text-sm"
                aria-label={`Found: ${CAUSES[cause].name}`}
                onClick={() => onFound(cause)}
              >
                Found
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What ended it, and where that leads. */
function Ended({ job, hunt, allowed, give }: Props & { readonly hunt: Hunt; readonly give: Give }) {
  const { ended } = hunt;
  if (!ended) return null;
  const cause = ended.cause && CAUSES[ended.cause];
  const mends = (cause?.operations ?? []).filter((id) =>
    holds(operation(id, job.plan.catalogue).fits, job.instrument.construction),
  );
  const put = (id: OperationId) =>
    give('plan.add', { jobId: job.id, operation: id, detail: cause ? `the noise: ${cause.name}` : '' });
  return (
    <section aria-label="What it was" className="space-y-2 border-y-2 border-plain py-2">
      <p className="text-2xl">
        <b>{cause ? `Found: ${cause.name}` : 'Left unfound'}</b>
      </p>
      {ended.words !== '' && <p className="text-ink">“{ended.words}”</p>}
      <p className="text-sm text-quiet">
        {ended.by}, {sayMoment(ended.at)}
      </p>
      {cause && <p>{cause.ways}</p>}
      {allowed.plan && (
        <div className="flex flex-wrap gap-2">
          {mends.map((id) => {
            const there = job.plan.onOrder.includes(id);
            return (
              <button key={id} type="button" className="button" disabled={there} onClick={() => void put(id)}>
                {operation(id, job.plan.catalogue).name}
                {there ? ', on the order' : ''}
              </button>
            );
          })}
          <button
            type="button"
            className="button"
            onClick={() => void give('hunt.end', { jobId: job.id, version: hunt.version, end: 'goes on' })}
          >
            It goes on
          </button>
        </div>
      )}
    </section>
  );
}

/** The hunt for a noise: what it may be, what to try next, what was tried. */
export function HuntPanel({ job, allowed }: Props) {
  const may = allowed.measure;
  const { hunt } = job.plan;
  const { give, busy, trouble } = useSend();
  const { noises } = job.plan.settings;
  const { construction } = job.instrument;
  const on = useMemo(() => ({ weights: noises, built: construction }), [noises, construction]);
  const words = useWords();
  const known = (what: TryId): string =>
    words(asRead(what, { ...job.plan, stations: job.readings.stations }));
  const weighed = useMemo(() => weigh(hunt.trail, on), [hunt.trail, on]);
  const about = { jobId: job.id, version: hunt.version };
  const end = (cause: CauseId | null) => give('hunt.end', { ...about, end: { cause, words: '' } });
  const tried = async (what: TryId, answer: string, words: string, heard: NoiseHeard | null) =>
    (await give('hunt.try', { ...about, what, answer, words, heard })) !== null;
  return (
    <section aria-label="The noise" className="space-y-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="text-xl">The hunt for a noise</h2>
          <Spent hunt={hunt} />
        </div>
        {may && !hunt.ended && (
          <Limit key={`${hunt.limit} ${hunt.agreed}`} job={job} hunt={hunt} give={give} />
        )}
      </div>
      <Trouble trouble={trouble} />
      <Ended job={job} allowed={allowed} hunt={hunt} give={give} />
      {!hunt.ended && (
        <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
          <div className="space-y-3">
            {may ? (
              <NextTry hunt={hunt} on={on} known={known} busy={busy} onTried={tried} />
            ) : (
              <p>Only who may measure tries something here.</p>
            )}
            {may && hunt.trail.length > 0 && (
              <button type="button" className="button" onClick={() => void end(null)}>
                Leave it unfound
              </button>
            )}
          </div>
          <Causes weighed={weighed} may={may && hunt.trail.length > 0} onFound={(c) => void end(c)} />
        </div>
      )}
      <Trail
        hunt={hunt}
        may={may && !hunt.ended}
        onBack={(entry) => void give('hunt.take-back', { ...about, entry })}
      />
      <p className="text-sm text-quiet">
        {weighed.length} causes are weighed by the rules of the bench; chances are what those rules say, not a
        count of this shop.
      </p>
    </section>
  );
}
