import { z } from 'zod';
import { proposalId } from '../../learned.ts';
import { answering, command } from '../command.ts';

/** Takes what was learned into the shop's rules, or puts it away: a person decides, with the evidence before them. */
export const houseTakeLearned = command({
  name: 'house.take-learned',
  may: 'house',
  events: ['planning rules changed', 'operations saved', 'learned changed'],
  input: z.object({
    proposal: proposalId,
    /** what the screen said it would become: a share, minutes, minor units */
    proposed: z.number().min(0).max(1e9),
    take: z.boolean(),
  }),
  answer: answering<{ readonly proposal: string }>(),
});
