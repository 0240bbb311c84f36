import { z } from 'zod';
import { POLICIES, type Policy, type ShopCare } from '../core/care/care.ts';
import { MEANS_IDS, type MeansId } from '../core/care/means.ts';
import { SURFACE_IDS, type SurfaceId } from '../core/care/surfaces.ts';
import { VERDICTS, type Verdict } from '../core/care/verdicts.ts';

const surface = z.enum(SURFACE_IDS as [SurfaceId, ...SurfaceId[]]);
const said = (max: number) => z.string().trim().max(max, `At most ${max} characters`);

/** What may touch what, as the shop says it, as it is kept and sent. A reason is given wherever it is not plainly usual. */
export const shopCareSchema: z.ZodType<ShopCare> = z.strictObject({
  policy: z.enum(Object.keys(POLICIES) as [Policy, ...Policy[]]),
  verdicts: z
    .array(
      z
        .strictObject({
          surface,
          means: z.enum(MEANS_IDS as [MeansId, ...MeansId[]]),
          verdict: z.enum(Object.keys(VERDICTS) as [Verdict, ...Verdict[]]),
          why: said(200),
        })
        .refine((v) => v.why !== '' || v.verdict === 'usual' || v.verdict === 'useless', {
          path: ['why'],
          message: 'Say why: whoever reads it holds the cloth.',
        }),
    )
    .max(SURFACE_IDS.length * MEANS_IDS.length)
    .refine(
      (all) => new Set(all.map((v) => `${v.surface} ${v.means}`)).size === all.length,
      'The same thing is said twice of a surface',
    ),
  home: z.partialRecord(surface, said(300)),
});
