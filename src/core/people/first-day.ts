/** The steps of a shop's first day, in their order: left and come back to at will. */
export const FIRST_STEPS = [
  {
    key: 'shop',
    href: '/house/shop',
    name: 'The shop',
    why: 'Its name, where it is, how it is reached: it stands on every paper and link.',
  },
  {
    key: 'country',
    href: '/house/shop',
    name: 'Money, tax, days',
    why: 'Currency, rates of tax, time zone, paper. The currency cannot change once something is agreed.',
  },
  {
    key: 'hours',
    href: '/house/hours',
    name: 'Opening hours',
    why: 'When you are open and when not: nothing is promised for a day you are closed.',
  },
  {
    key: 'people',
    href: '/house/people',
    name: 'People',
    why: 'Who works here, what they may do, a PIN for each. Give yourself your own name and PIN.',
  },
  {
    key: 'places',
    href: '/house/places',
    name: 'Places',
    why: 'Where instruments hang and the benches: every tag says where it is.',
  },
  {
    key: 'tablets',
    href: '/house/devices',
    name: 'Tablets',
    why: 'Each is paired once, with a code or its square.',
  },
  {
    key: 'prices',
    href: '/house/operations',
    name: 'Operations and prices',
    why: 'Minutes, prices and parts are ordinary ones: make them yours.',
  },
  {
    key: 'reading',
    href: '/house/readings',
    name: 'How you read',
    why: 'In which units, with which gauges, at which fret, in which order.',
  },
  {
    key: 'targets',
    href: '/house/targets',
    name: 'Targets',
    why: 'What you aim at, by kind and touch: ordinary trade practice until you say otherwise.',
  },
  {
    key: 'book',
    href: '/shelf/exchange',
    name: 'Customers and instruments',
    why: 'Bring the book you have in, from a spreadsheet.',
  },
  {
    key: 'first',
    href: '/desk/take-in',
    name: 'The first instrument',
    why: 'Take one in: everything else begins there.',
  },
] as const;

export type FirstStep = (typeof FIRST_STEPS)[number]['key'];

/** Where a shop is on its first day. */
export interface FirstDay {
  readonly done: readonly FirstStep[];
  /** put away, done or not */
  readonly closed: boolean;
}

/** The first step that is not done; null when all are. */
export const nextStep = ({ done }: FirstDay) => FIRST_STEPS.find((s) => !done.includes(s.key)) ?? null;
