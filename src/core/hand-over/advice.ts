import type { Construction } from '../instrument/construction.ts';

/** What advice hangs on. */
export interface AdviceFor {
  readonly construction: Pick<Construction, 'finish' | 'rod'>;
  readonly acoustic: boolean;
  /** whether new strings went on */
  readonly newStrings: boolean;
  /** whether wood was moved or cut: a rod, a nut, a saddle, frets, a neck */
  readonly woodMoved: boolean;
  /** relative humidity at the bench, per cent, where it was read */
  readonly humidity: number | null;
  readonly watch: readonly string[];
}

const TENDER: Readonly<Record<string, string>> = {
  lacquer: 'Its lacquer is tender: no solvents, no rubber stands, a soft dry cloth only.',
  shellac: 'Its shellac is hurt by alcohol, sweat and heat: wipe it with a soft dry cloth after playing.',
  oil: 'Its oil finish dries out: a little of the same oil once a year, wiped off at once.',
};

/** Advice for an instrument on its way home, a sentence each; the bench may change every word. */
export function adviceFor(a: AdviceFor): string[] {
  return [
    ...(a.newStrings
      ? ['New strings stretch for some days: tune it often, and do not judge it before they have settled.']
      : []),
    ...(a.woodMoved
      ? ['What was set settles over the first weeks: come by for the check, it costs nothing.']
      : []),
    ...(a.acoustic
      ? ['Keep it in its case when you do not play it, at 45 to 55 % humidity, away from heaters and cars.']
      : ['Keep it away from heaters and out of a cold or hot car.']),
    ...(a.humidity !== null && (a.humidity < 40 || a.humidity > 60)
      ? [`It was set at ${a.humidity} % humidity: in other air the action moves a little.`]
      : []),
    ...(TENDER[a.construction.finish] ? [TENDER[a.construction.finish] as string] : []),
    ...a.watch.map((w) => `Watch: ${w}`),
  ];
}
