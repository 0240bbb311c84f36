import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { LEAF_NAMES, LEAVES, type Leaf } from '../../../../../core/job/leaves.ts';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadLeaf, type LeafJob, type LoadedLeaf } from '../../../../../server/leaves/load-leaf.ts';
import { LeafBoundary } from '../../../../../ui/leaves/leaf-boundary.tsx';
import { JobHead } from '../../../../../ui/leaves/job-head.tsx';
import { ArrivalLeaf } from '../../../../../ui/leaves/arrival-leaf.tsx';
import { HandOverLeaf } from '../../../../../ui/leaves/hand-over-leaf.tsx';
import { InspectionLeaf } from '../../../../../ui/leaves/inspection-leaf.tsx';
import { PlanLeaf } from '../../../../../ui/leaves/plan-leaf.tsx';
import { ReadingsLeaf } from '../../../../../ui/leaves/readings-leaf.tsx';
import { WorkLeaf } from '../../../../../ui/leaves/work-leaf.tsx';
import type { LeafProps } from '../../../../../ui/job/leaf-props.ts';
import { requireActor } from '../../../../_lib/session.ts';

interface Params {
  readonly params: Promise<{ number: string; leaf: string }>;
}

type Rest = Pick<LeafProps, 'allowed' | 'me'>;

/** Loads what a leaf shows and draws it. */
const page =
  <L extends Leaf>(leaf: L, draw: (job: LoadedLeaf<L>, rest: Rest) => React.ReactNode) =>
  async (number: number) => {
    const job = await loadLeaf(database(), number, leaf);
    return job && { job: job as LeafJob, draw: (rest: Rest) => draw(job, rest) };
  };

const LEAF_PAGES = {
  arrival: page('arrival', (job, rest) => <ArrivalLeaf job={job} {...rest} />),
  inspection: page('inspection', (job, rest) => <InspectionLeaf job={job} {...rest} />),
  readings: page('readings', (job, rest) => <ReadingsLeaf job={job} {...rest} />),
  plan: page('plan', (job, rest) => <PlanLeaf job={job} {...rest} />),
  work: page('work', (job, rest) => <WorkLeaf job={job} {...rest} />),
  'hand-over': page('hand-over', (job, rest) => <HandOverLeaf job={job} {...rest} />),
} as const;

const isLeaf = (text: string): text is Leaf => (LEAVES as readonly string[]).includes(text);

export async function generateMetadata({ params }: Params): Promise<Metadata> {
  const { number, leaf } = await params;
  return { title: `${number} ${isLeaf(leaf) ? LEAF_NAMES[leaf] : ''}` };
}

export default async function JobPage({ params }: Params) {
  const actor = await requireActor();
  const { number, leaf } = await params;
  if (!isLeaf(leaf) || !/^\d{1,9}$/.test(number)) notFound();
  const { job, draw } = (await LEAF_PAGES[leaf](Number(number))) ?? notFound();
  const open = job.state === 'open';
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
      <JobHead job={job} leaf={leaf} />
      <div className="px-5 py-3">
        <LeafBoundary key={leaf} name={LEAF_NAMES[leaf]}>
          {draw({ allowed, me: actor.name })}
        </LeafBoundary>
      </div>
    </>
  );
}
