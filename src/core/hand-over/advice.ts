/** What advice hangs on. */
export interface AdviceFor {
  readonly acoustic: boolean;
  /** whether new strings went on */
  readonly newStrings: boolean;
  /** whether wood was moved or cut: a rod, a nut, a saddle, frets, a neck */
  readonly woodMoved: boolean;
  /** relative humidity at the bench, per cent, where it was read */
  readonly humidity: number | null;
  /** what is to be known of its surfaces, a sentence each */
  readonly care: readonly string[];
  readonly watch: readonly string[];
}

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
    ...a.care,
    ...a.watch.map((w) => `Watch: ${w}`),
  ];
}
