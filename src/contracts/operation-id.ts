import { z } from 'zod';
import { OPERATION_IDS } from '../core/catalogue/operation-ids.ts';

/** An operation that ships, or `own-…` for one of the shop's own. */
export const operationId = z.union([
  z.enum(OPERATION_IDS),
  z.templateLiteral(['own-', z.string().regex(/^[a-z0-9-]{1,34}$/)]),
]);
