// Made by `npm run docs` from the declarations in contracts/commands; not written by hand.

/** Commands that may be done without a connection. */
export const QUEUED_COMMANDS = [
  'inspection.answer',
  'work.step',
  'work.remark',
  'work.accident',
] as const;

/** Kinds of events that change a job’s own leaves and tag, and nothing elsewhere. */
export const OWN_LEAVES_ONLY = [
  'conditions set',
  'cut logged',
  'cut taken back',
  'hunt begun',
  'hunt ended',
  'hunt opened again',
  'item answered',
  'noise tried',
  'reading taken',
  'reading taken back',
  'readings carried forward',
  'rod turned',
  'target set',
  'try taken back',
] as const;
