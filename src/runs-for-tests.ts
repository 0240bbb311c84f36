import fc from 'fast-check';

/** Whether everything is tried at length: `./rubrica test --long`. */
export const LONG: boolean = process.env['RUBRICA_LONG'] === 'yes';

/**
 * How many examples a property is asked with: this many, or as few as the run as a whole is set to.
 * @param numRuns each time
 * @param long by `--long`
 */
export const runs = (numRuns: number, long = numRuns): { readonly numRuns: number } => ({
  numRuns: fc.readConfigureGlobal().numRuns ?? (LONG ? long : numRuns),
});

/** Lets others go on: a test that held the process would be taken for a dead one. */
export const breath = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
