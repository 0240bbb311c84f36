import type { LeafJob, Part } from '../../server/leaves/load-leaf.ts';

export type { LeafJob };

/** What every leaf gets: the job, what this person may do on it, and their name. */
export interface LeafProps<Shown extends Part = never> {
  readonly job: LeafJob<Shown>;
  readonly allowed: Readonly<
    Record<'house' | 'take' | 'inspect' | 'measure' | 'plan' | 'approve' | 'work' | 'handOver', boolean>
  >;
  readonly me: string;
}
