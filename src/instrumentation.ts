import type { Instrumentation } from 'next';

// The build leaves out what stands behind this question where it is not so: nothing of the house is made for any other runtime.

/** Whatever a page or route throws and nobody caught is written to the house's log. */
export const onRequestError: Instrumentation.onRequestError = async (...what) => {
  if (process.env.NEXT_RUNTIME === 'nodejs')
    (await import('./instrumentation-node.ts')).requestFailed(...what);
};

/** What runs by itself beside the requests. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') (await import('./instrumentation-node.ts')).startBeside();
}
