import { z } from 'zod';

/** A step of the plan: a line of an order by its number, or what every job has, by the job's. */
export const stepId = z
  .string()
  .max(80)
  .regex(/^(?:line|look|read|check|guess):\d{1,10}(?::[a-z0-9-]{1,40})?$/, 'No such step');
