import { DEMO_HEARD } from './heard.ts';
import { DEMO_HUNTS } from './hunts.ts';
import type { DemoJob } from './jobs.ts';
import type { Story } from './story.ts';

/** A noise that is hunted there, as far as its trail goes. */
export async function hunt(story: Story, { serial }: DemoJob, number: number): Promise<void> {
  const hunted = DEMO_HUNTS[serial];
  if (!hunted) return;
  const { id: jobId } = await story.view(number);
  const begun = { jobId, version: 0, limit: hunted.limit, agreed: 'counter' } as const;
  let { version } = await story.give('hunt.begin', begun);
  for (const [what, answer, words, heard = null] of hunted.tried)
    ({ version } = await story.give('hunt.try', { jobId, version, what, answer, words, heard }));
}

/** What was played and heard of it. */
export async function playPlaces(story: Story, { serial }: DemoJob, number: number): Promise<void> {
  const { id: jobId } = await story.view(number);
  for (const heard of DEMO_HEARD[serial] ?? []) await story.give('plan.hear', { jobId, ...heard, was: null });
}
