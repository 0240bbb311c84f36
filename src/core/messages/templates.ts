/** What the shop writes to its customers about. */
export const MESSAGE_PURPOSES = ['estimate', 'ready', 'next-check', 'look'] as const;
export type Purpose = (typeof MESSAGE_PURPOSES)[number];

export const PURPOSE_NAMES: Readonly<Record<Purpose, string>> = {
  estimate: 'Something to decide',
  ready: 'It is ready',
  'next-check': 'The check after it has settled',
  look: 'A look is offered',
};

/** Words of a message, with places in braces that are filled in when it is written. */
export interface Template {
  readonly subject: string;
  readonly body: string;
}

/** What may stand in braces, and what it becomes. */
export const PLACEHOLDERS = {
  customer: 'the customer’s name',
  instrument: 'maker and model',
  shop: 'the shop’s name',
  job: 'the job’s number',
  day: 'the day of the next check',
  hours: 'when the shop is open',
  why: 'why a look is offered',
  link: 'their own link',
} as const;
export type Placeholder = keyof typeof PLACEHOLDERS;

/** What ships; the shop may write its own. */
export const SHIPPED_TEMPLATES: Readonly<Record<Purpose, Template>> = {
  estimate: {
    subject: '{instrument}: your word is wanted',
    body: '{customer},\n\nThere is something to decide about your {instrument}. Read it in peace and answer line by line, or ask:\n{link}\n\n{shop}',
  },
  ready: {
    subject: '{instrument}: ready to be played and collected',
    body: '{customer},\n\nYour {instrument} is ready. Come and play it. What was done stands here:\n{link}\n\n{shop}',
  },
  'next-check': {
    subject: '{instrument}: the check after it has settled',
    body: '{customer},\n\nAfter some weeks new strings and wood have settled. We have kept {day} for a look at your {instrument}; it costs nothing. What was done stands here:\n{link}\n\n{shop}',
  },
  look: {
    subject: '{instrument}: a look, if you like',
    body: '{customer},\n\nwe keep an eye on your {instrument}: {why}. Bring it by when it suits you ({hours}); looking costs nothing. What was done last stands here:\n{link}\n\n{shop}',
  },
};

/** Names in braces that mean nothing; a template with one of them would be sent with a hole. */
export const unknownPlaceholders = (text: string): string[] =>
  [...text.matchAll(/\{([^{}]*)\}/g)].map((m) => m[1] ?? '').filter((name) => !(name in PLACEHOLDERS));

/** A template with what is known filled in; what is not given stays as it stands. */
export const fillTemplate = (text: string, values: Readonly<Partial<Record<Placeholder, string>>>): string =>
  text.replace(/\{(\w+)\}/g, (whole, name: string) =>
    name in PLACEHOLDERS ? (values[name as Placeholder] ?? whole) : whole,
  );
