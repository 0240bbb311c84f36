import { agreedOperation } from '../../catalogue/operations.ts';
import type { StandingLine } from '../../work/beside-order.ts';
import type { JobLine } from '../job.ts';
import type { JudgingShop } from '../judged-job.ts';

/** The lines of an order as they were agreed. */
export const standingLines = (
  g: Pick<JudgingShop, 'catalogue'> & { readonly lines: readonly JobLine[] },
): readonly StandingLine[] => g.lines.map((l) => ({ ...l, op: agreedOperation(l, g.catalogue) }));
