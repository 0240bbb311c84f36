import { z } from 'zod';
import { USUAL_PERIODS } from '../core/privacy/periods.ts';

const span = (most: number) =>
  z.number().int().min(1, 'At least one').max(most, `At most ${most}`).nullable();

/** How long a shop keeps what, as it crosses a boundary. */
export const periodsSchema = z.object({
  customersYears: span(100).default(USUAL_PERIODS.customersYears),
  photosYears: span(100).default(USUAL_PERIODS.photosYears),
  soundsYears: span(100).default(USUAL_PERIODS.soundsYears),
  messagesMonths: span(1200).default(USUAL_PERIODS.messagesMonths),
  invoicesYears: span(100).default(USUAL_PERIODS.invoicesYears),
});
