import type { Rule } from './help-kinds.ts';

/** The pages of the stores, the first that fits a path. */
export const STORES_HELP: readonly Rule[] = [
  {
    at: /^\/stores\/\d+$/,
    name: 'On the shelves',
    purpose:
      'One thing of the stores: how many are there and free, what waits for which job, and everything that happened to it. A count puts it right, with its reason.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/orders\/\d+$/,
    name: 'An order',
    purpose:
      'What is ordered at a supplier, how it went out, when it should come, and how many came so far. What a job waits for is set aside for it as it comes, and the job is back in hands.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/orders/,
    name: 'Orders',
    purpose: 'Every order at a supplier: written, under way, partly here, late, all here.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/count/,
    name: 'Count',
    purpose:
      'Stocktaking: a code is scanned or a name typed, how many are there is said, and the next one is scanned. What differs from the book is shown afterwards.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/labels/,
    name: 'Labels',
    purpose: 'Labels to print and stick where things lie, with a code that opens them when it is scanned.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/figures/,
    name: 'What the shelves come to',
    purpose:
      'What is on the shelves cost, how many of each thing every month took, what has not moved for a year, what is past its day.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/care/,
    name: 'Care',
    purpose:
      'What may touch this very instrument, or any surface: what is usual, what goes with care, what never, and why; “may I use it on this?”; and what to beware of, by what is worked on and what is done.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores\/short/,
    name: 'What is short',
    purpose:
      'What is short and on no order yet, also because a job waits for it: a list for each supplier with how many to order. It is made an order here.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/stores/,
    name: 'Stores',
    purpose:
      'Strings, blanks, wire and parts: how many are there, how many nobody waits for, what is short or past its day. A scanned code finds its item; Enter opens it.',
    keys: [{ keys: '/', does: 'to the search field' }],
    guide: 'owner-day',
  },
];
