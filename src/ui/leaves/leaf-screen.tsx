'use client';

import type { ComponentType } from 'react';
import { LEAF_NAMES, type Leaf } from '../../core/job/leaves.ts';
import type { LeafJob, LeafView } from '../../core/job/views/leaves.ts';
import { may, type Role } from '../../core/people/roles.ts';
import { useLoaded } from '../data/queries.tsx';
import { JOB_KEY } from '../data/refresh.ts';
import type { Allowed, LeafProps } from '../job/leaf-props.ts';
import { JobHead } from './job-head.tsx';
import { LeafBoundary } from './leaf-boundary.tsx';

/** What the page of a leaf gives to its screen. */
export interface LeafScreenProps<L extends Leaf> {
  readonly number: number;
  readonly initial: LeafView<L>;
  readonly role: Role;
  readonly me: string;
}

/** What a role may do on a job: nothing is changed any more once it is closed. */
const allowedOn = (role: Role, open: boolean): Allowed => ({
  house: open && may(role, 'see'),
  take: open && may(role, 'take-in'),
  inspect: open && may(role, 'inspect'),
  measure: open && may(role, 'measure'),
  plan: open && may(role, 'plan'),
  approve: open && may(role, 'approve'),
  work: open && may(role, 'work'),
  handOver: open && may(role, 'hand-over'),
  afterwards: may(role, 'hand-over'),
});

type LeafBody<L extends Leaf> = ComponentType<Omit<LeafProps, 'job'> & { readonly job: LeafView<L> }>;

/** A leaf with the job's head, kept up to date; a fault of the leaf stays inside it. */
export const leafScreen = <L extends Leaf>(leaf: L, Body: LeafBody<L>) =>
  function LeafScreen({ number, initial, role, me }: LeafScreenProps<L>) {
    const job = useLoaded<LeafView<L>>([JOB_KEY, number, leaf], `/api/job/${number}/${leaf}`, initial);
    const head: LeafJob = job;
    return (
      <>
        <JobHead job={head} leaf={leaf} />
        <div className="px-5 py-3">
          <LeafBoundary name={LEAF_NAMES[leaf]}>
            <Body job={job} allowed={allowedOn(role, head.state === 'open')} me={me} />
          </LeafBoundary>
        </div>
      </>
    );
  };
