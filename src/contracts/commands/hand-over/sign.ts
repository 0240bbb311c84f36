import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, strokes, text, version } from '../fields.ts';

/** The customer signs: the record is built, digested and sealed, and the job closes. */
export const handOverSign = command({
  name: 'hand-over.sign',
  may: 'hand-over',
  events: ['signed', 'message written', 'stock moved'],
  input: z.object({
    jobId: id,
    version,
    signer: text(120).min(1, 'Whose signature is it?'),
    signature: strokes,
    /** the digest of the sheet the signer saw; a sheet that changed since is shown again first */
    shown: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional(),
  }),
  answer: answering<{ readonly digest: string }>(),
});
