import type { JobView } from '../../server/job/load-job.ts';

/** What every leaf gets: the job, what this person may do on it, and their name. */
export interface LeafProps {
  readonly job: JobView;
  readonly allowed: Readonly<
    Record<'house' | 'take' | 'inspect' | 'measure' | 'plan' | 'approve' | 'work' | 'handOver', boolean>
  >;
  readonly me: string;
}
