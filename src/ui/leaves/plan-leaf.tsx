'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { useSearchParams } from 'next/navigation';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { AchievedPanel } from '../plan/achieved-panel.tsx';
import { FretPanel } from '../plan/fret-panel.tsx';
import { IntonationPanel } from '../plan/intonation-panel.tsx';
import { OptionsPanel } from '../plan/options-panel.tsx';
import { modelOfView, plansQuestion } from '../plan/plan-problem.ts';
import { PlansPanel } from '../plan/plans-panel.tsx';
import { ProposedPanel } from '../plan/proposed-panel.tsx';
import { TryPanel } from '../plan/try-panel.tsx';
import { useTrying } from '../plan/trying.ts';
import { useWorker } from '../plan/use-worker.ts';
import { WorkerSays } from '../plan/worker-says.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

/** Most jobs have no noise to hunt. */
const HuntsBefore = lazyPart(() => import('../plan/hunts-before.tsx').then((m) => m.HuntsBefore));
const HuntPanel = lazyPart(() => import('../plan/hunt-panel.tsx').then((m) => m.HuntPanel));

const PARTS = {
  proposed: 'Proposed',
  try: 'Try it',
  plans: 'Plans',
  frets: 'Frets',
  intonation: 'Intonation',
  options: 'Options',
  noise: 'Noise',
} as const;
type Part = keyof typeof PARTS;
const isPart = (text: string | null): text is Part => text !== null && text in PARTS;

/** The part of the plan that is shown, kept in the address. */
function usePart() {
  const asked = useSearchParams().get('part');
  const [part, showPart] = useState<Part>(isPart(asked) ? asked : 'proposed');
  const setPart = (to: Part) => {
    showPart(to);
    // A reload, or a link given to a colleague, comes to the same part. Behind a hash: with another query the next look
    // at the page would be another page, and what is tried on this one gone.
    window.history.replaceState(null, '', `#${to}`);
  };
  useEffect(() => {
    const said = window.location.hash.slice(1);
    if (isPart(said)) showPart(said);
  }, []);
  return [part, setPart] as const;
}

/** Why there is no string to draw yet. */
function NothingToTry({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  return (
    <p className="py-3 text-lg">
      ◆{' '}
      {job.plan.strings === 'at-pitch'
        ? 'The action was not read: there is no string to draw yet.'
        : 'It is not strung and at pitch: string it up, tune, read again.'}
    </p>
  );
}

/** What Rubrica proposes, everything that can be tried, the plans found, and what the customer chooses from. */
export function PlanLeaf({ job, allowed }: LeafProps<'plan' | 'huntsBefore'>) {
  const [part, setPart] = usePart();
  const trying = useTrying();
  const model = useMemo(() => modelOfView(job), [job]);
  const question = useMemo(
    () => (part === 'plans' || part === 'options' ? plansQuestion(job) : null),
    [part, job],
  );
  const worker = useWorker<'plans'>(question);
  const { answer } = worker;
  const because = answer?.because ?? null;
  const notYet = because === null ? null : <p className="py-3 text-lg">◆ {because}</p>;
  const tryIt = (moves: typeof trying.moves) => {
    trying.set(moves);
    setPart('try');
  };
  return (
    <>
      <div className="mb-2 text-sm print:hidden">
        <PillChoice quiet legend="Part of the plan" value={part} options={PARTS} onChange={setPart} />
      </div>
      {part === 'proposed' && (
        <>
          <ProposedPanel job={job} allowed={allowed} />
          <AchievedPanel job={job} />
        </>
      )}
      {part === 'try' && model && <TryPanel job={job} may={allowed.plan} model={model} trying={trying} />}
      {part === 'try' && !model && <NothingToTry job={job} />}
      {question && <WorkerSays of={worker} what="Every way is looked at" />}
      {part === 'plans' &&
        (notYet ?? (
          <PlansPanel
            job={job}
            may={allowed.plan}
            plans={answer?.plans ?? null}
            ms={answer?.ms ?? 0}
            onTry={tryIt}
          />
        ))}
      {part === 'frets' && <FretPanel job={job} />}
      {part === 'intonation' && <IntonationPanel job={job} />}
      {part === 'noise' && (
        <Suspense fallback={null}>
          <HuntPanel job={job} allowed={allowed} />
          <HuntsBefore hunts={job.huntsBefore} />
        </Suspense>
      )}
      {part === 'options' && (
        <>
          {notYet}
          <OptionsPanel job={job} allowed={allowed} plans={answer?.plans ?? null} />
        </>
      )}
    </>
  );
}
