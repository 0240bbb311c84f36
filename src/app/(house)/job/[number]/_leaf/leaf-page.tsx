import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { LEAF_NAMES, type Leaf } from '../../../../../core/job/leaves.ts';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadLeaf, type LeafJob, type LoadedLeaf } from '../../../../../server/leaves/load-leaf.ts';
import type { LeafProps } from '../../../../../ui/job/leaf-props.ts';
import { JobHead } from '../../../../../ui/leaves/job-head.tsx';
import { LeafBoundary } from '../../../../../ui/leaves/leaf-boundary.tsx';
import { requireActor } from '../../../../_lib/session.ts';

interface Params {
  readonly params: Promise<{ number: string }>;
}

/** The title of one of a job's leaves. */
export const leafTitle =
  (leaf: Leaf) =>
  async ({ params }: Params): Promise<Metadata> => ({
    title: `${(await params).number} ${LEAF_NAMES[leaf]}`,
  });

/** Loads what one leaf shows, draws the job's head, and the leaf inside a frame that a fault of it does not leave. */
export const leafPage =
  <L extends Leaf>(
    leaf: L,
    draw: (job: LoadedLeaf<L>, rest: Pick<LeafProps, 'allowed' | 'me'>) => ReactNode,
  ) =>
  async ({ params }: Params) => {
    const actor = await requireActor();
    const { number } = await params;
    const job = /^\d{1,9}$/.test(number) ? await loadLeaf(database(), Number(number), leaf) : null;
    if (!job) notFound();
    const open = (job as LeafJob).state === 'open';
    const allowed = {
      house: may(actor.role, 'see') && open,
      take: may(actor.role, 'take-in') && open,
      inspect: may(actor.role, 'inspect') && open,
      measure: may(actor.role, 'measure') && open,
      plan: may(actor.role, 'plan') && open,
      approve: may(actor.role, 'approve') && open,
      work: may(actor.role, 'work') && open,
      handOver: may(actor.role, 'hand-over') && open,
    };
    return (
      <>
        <JobHead job={job as LeafJob} leaf={leaf} />
        <div className="px-5 py-3">
          <LeafBoundary name={LEAF_NAMES[leaf]}>{draw(job, { allowed, me: actor.name })}</LeafBoundary>
        </div>
      </>
    );
  };
