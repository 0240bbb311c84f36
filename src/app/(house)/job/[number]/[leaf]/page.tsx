import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { LEAF_NAMES, LEAVES, type Leaf } from '../../../../../core/job/leaves.ts';
import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadJob, type JobView } from '../../../../../server/job/load-job.ts';
import { JobHead } from '../../../../../ui/job-head.tsx';
import { ArrivalLeaf } from '../../../../../ui/leaves/arrival-leaf.tsx';
import { HandOverLeaf } from '../../../../../ui/leaves/hand-over-leaf.tsx';
import { InspectionLeaf } from '../../../../../ui/leaves/inspection-leaf.tsx';
import { PlanLeaf } from '../../../../../ui/leaves/plan-leaf.tsx';
import { ReadingsLeaf } from '../../../../../ui/leaves/readings-leaf.tsx';
import { WorkLeaf } from '../../../../../ui/leaves/work-leaf.tsx';
import type { LeafProps } from '../../../../../ui/leaves/leaf-props.ts';
import { requireActor } from '../../../../_lib/session.ts';

interface Params {
  readonly params: Promise<{ number: string; leaf: string }>;
}

const LEAF_PAGES: Readonly<Record<Leaf, (props: LeafProps) => React.ReactNode>> = {
  arrival: ArrivalLeaf,
  inspection: InspectionLeaf,
  readings: ReadingsLeaf,
  plan: PlanLeaf,
  work: WorkLeaf,
  'hand-over': HandOverLeaf,
};

const isLeaf = (text: string): text is Leaf => (LEAVES as readonly string[]).includes(text);

export async function generateMetadata({ params }: Params): Promise<Metadata> {
  const { number, leaf } = await params;
  return { title: `${number} ${isLeaf(leaf) ? LEAF_NAMES[leaf] : ''}` };
}

async function jobOr404(number: string): Promise<JobView> {
  if (!/^\d{1,9}$/.test(number)) notFound();
  return (await loadJob(database(), Number(number))) ?? notFound();
}

export default async function JobPage({ params }: Params) {
  const actor = await requireActor();
  const { number, leaf } = await params;
  if (!isLeaf(leaf)) notFound();
  const job = await jobOr404(number);
  const Page = LEAF_PAGES[leaf];
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
        <Page job={job} allowed={allowed} me={actor.name} />
      </div>
    </>
  );
}
