import fc from 'fast-check';

/** How many examples a property is asked with: this many, or as few as the run as a whole is set to. */
export const runs = (numRuns: number): { readonly numRuns: number } => ({
  numRuns: fc.readConfigureGlobal().numRuns ?? numRuns,
});
