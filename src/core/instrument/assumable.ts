/** What is taken as usual for the kind until somebody has looked: as it is called in a sentence. */
export const ASSUMED_NAMES = {
  scale: 'the scale',
  frets: 'the frets',
  tuning: 'the tuning',
  gauges: 'the strings’ gauges',
  joint: 'the neck joint',
  rod: 'the truss rod',
  radius: 'the radius',
  bridge: 'the bridge',
  vibrato: 'the vibrato',
  nut: 'the nut',
  electronics: 'the electronics',
  finish: 'the finish',
  fingerboard: 'the fingerboard',
} as const;

export type AssumedFact = keyof typeof ASSUMED_NAMES;
export const ASSUMED_FACTS = Object.keys(ASSUMED_NAMES) as AssumedFact[];

/** Whether nobody has looked at a fact yet: it stands as is usual for the kind. */
export const isAssumed = (
  { assumed = [] }: { readonly assumed?: readonly AssumedFact[] | undefined },
  fact: AssumedFact,
): boolean => assumed.includes(fact);
