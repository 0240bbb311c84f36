import type { Instrumentation } from 'next';

/** Whatever a page or route throws and nobody caught is written to the house's log. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { houseLog } = await import('./server/keep/log.ts');
  const digest = (error as { digest?: string } | null)?.digest;
  houseLog().error('a request failed', {
    error,
    at: context.routePath || request.path,
    ...(digest !== undefined && { request: digest }),
  });
};
