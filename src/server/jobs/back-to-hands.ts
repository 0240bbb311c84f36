import type { Job } from '../db/models/jobs.ts';

/** A job that hung with those waiting for a word because something was asked goes back to hands. */
export function backToHands(job: Job): void {
  if (job.waitingFor !== 'word' || !job.waitingNote.startsWith('asked: ')) return;
  job.set({ waitingFor: 'hands', waitingNote: '', version: job.version + 1 });
}
