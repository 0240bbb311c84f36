import { z } from 'zod';
import { MOVES, type MoveKind } from '../../../core/stock/ledger.ts';
import { answering, command } from '../command.ts';
import { id, lineOrNone, text } from '../fields.ts';
import { quantity } from './save-item.ts';

/** Writes into the ledger what happens to an item: it comes in, waits for a job, is used, breaks, goes back or is counted. */
export const storesMove = command({
  name: 'stores.move',
  may: 'see',
  events: ['stock moved'],
  input: z.object({
    itemId: id,
    kind: z.enum(Object.keys(MOVES) as [MoveKind, ...MoveKind[]]),
    quantity,
    /** the job it is for, by its row; null where it is for none */
    jobId: id.nullable(),
    lineId: lineOrNone,
    reason: text(200),
  }),
  answer: answering<{ readonly onHand: number; readonly free: number }>(),
});
