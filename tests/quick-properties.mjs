import fc from 'fast-check';

// A mutation run asks the same properties thousands of times: fewer examples each, the same every time.
fc.configureGlobal({ numRuns: 12, seed: 20261123 });
