import type { Policy, ShopCare } from '../../core/care/care.ts';
import type { MeansId } from '../../core/care/means.ts';
import { SURFACE_IDS, type SurfaceId } from '../../core/care/surfaces.ts';
import { verdictOn, type Verdict } from '../../core/care/verdicts.ts';

/** The shop's care as its form holds it: a field each, none where the trade's word stands. */
export type CareTexts = Readonly<Record<string, string>>;

export const verdictField = (s: SurfaceId, m: MeansId): string => `verdict ${s} ${m}`;
export const whyField = (s: SurfaceId, m: MeansId): string => `why ${s} ${m}`;
export const homeField = (s: SurfaceId): string => `home ${s}`;

/** What is kept, as a form shows it. */
export const careTexts = (care: ShopCare): CareTexts => ({
  policy: care.policy,
  ...Object.fromEntries(
    care.verdicts.flatMap((v) => [
      [verdictField(v.surface, v.means), v.verdict],
      [whyField(v.surface, v.means), v.why],
    ]),
  ),
  ...Object.fromEntries(Object.entries(care.home).map(([s, says]) => [homeField(s as SurfaceId), says])),
});

/** What is typed, as it is sent; what only repeats the trade's word is the trade's. Wrong by field. */
export function readCareTexts(texts: CareTexts): {
  readonly care: ShopCare;
  readonly wrong: Readonly<Record<string, string>>;
} {
  const wrong: Record<string, string> = {};
  const verdicts = Object.entries(texts).flatMap(([field, verdict]) => {
    const [what, surface, means] = field.split(' ') as [string, SurfaceId, MeansId];
    if (what !== 'verdict' || verdict === '') return [];
    const why = (texts[whyField(surface, means)] ?? '').trim();
    const trade = verdictOn(surface, means);
    if (verdict === trade.verdict && (why === '' || why === trade.why)) return [];
    if (why === '' && verdict !== 'usual' && verdict !== 'useless')
      wrong[whyField(surface, means)] = 'Say why: whoever reads it holds the cloth.';
    return [{ surface, means, verdict: verdict as Verdict, why }];
  });
  const home = Object.fromEntries(
    SURFACE_IDS.flatMap((s) => {
      const says = texts[homeField(s)];
      return says === undefined ? [] : [[s, says.trim()]];
    }),
  );
  return { care: { policy: (texts['policy'] ?? 'wipe') as Policy, verdicts, home }, wrong };
}
