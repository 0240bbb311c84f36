import { z } from 'zod';
import type { OptionId } from '../../../core/plan/options.ts';

/** Which option of an offer: one of the plans, or one written by hand. */
export const optionChoice = z.custom<OptionId>(
  (v) => typeof v === 'string' && /^(?:leave|sufficient|best|own-[1-3])$/.test(v),
  'No such option',
);
