import type { LeafJob, Part } from '../../core/job/views/leaves.ts';

export type { LeafJob };

/** What somebody may do on a job's leaves, by what it is. */
export type Allowed = Readonly<
  Record<
    'house' | 'take' | 'inspect' | 'measure' | 'plan' | 'approve' | 'work' | 'handOver' | 'afterwards',
    boolean
  >
>;

/** What every leaf gets: the job, what this person may do on it, and their name. */
export interface LeafProps<Shown extends Part = never> {
  readonly job: LeafJob<Shown>;
  readonly allowed: Allowed;
  readonly me: string;
}
