import { z } from 'zod';
import { ROUND_KIND, type RoundKind } from '../../core/readings/rounds.ts';
import { RELATIVE_WISHES, type RelativeWish } from '../../core/targets/target.ts';

/** The largest whole number a column holds. */
export const MOST_WHOLE = 2_147_483_647;
/** A row's number. */
export const id = z.number().int().positive().max(MOST_WHOLE);
/** The version a change was begun from. */
export const version = z.number().int().min(0).max(MOST_WHOLE);
export const text = (max: number) => z.string().trim().max(max, `At most ${max} characters`);
/** A line of the work order, or none. */
export const lineOrNone = z.union([z.null(), id]);
/** How long ago a thing was done that waited on a tablet without a connection, ms. */
export const howLongAgo = z.number().int().min(0).max(Number.MAX_SAFE_INTEGER).optional();
/** A drawing of a finger: strokes of points; null when it is done by name. */
export const strokes = z
  .array(z.array(z.object({ x: z.number().min(0).max(4000), y: z.number().min(0).max(4000) })).max(4000))
  .max(200)
  .nullable();
/** A kind the shop offers: a shipped one or its own. */
export const kindId = z.string().regex(/^[a-z0-9-]{1,40}$/);
/** What of the shop's book stands twice. */
export const entity = z.enum(['customer', 'instrument']);
export const round = z.custom<RoundKind>((v) => typeof v === 'string' && ROUND_KIND.test(v), 'No such round');
export const stringsState = z.enum(['at-pitch', 'missing', 'off-pitch', 'off']);
/** Said of a place where another instrument hangs: both do. */
export const together = z.boolean().optional();
export const relative = z.enum(Object.keys(RELATIVE_WISHES) as [RelativeWish, ...RelativeWish[]]).nullable();
