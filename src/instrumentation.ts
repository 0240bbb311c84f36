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

/** What runs by itself beside the requests: messages that are due, and what is over its period. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { goOnUnheard } = await import('./server/keep/unheard.ts');
  goOnUnheard();
  const { takeWarnings } = await import('./server/keep/log.ts');
  takeWarnings();
  const { endStreams } = await import('./server/keep/open-streams.ts');
  process.on('SIGTERM', endStreams);
  const { metrics } = await import('./server/keep/metrics.ts');
  metrics();
  const { lookOnly } = await import('./server/keep/look-only.ts');
  if (lookOnly() !== null) return;
  const { keepFailures } = await import('./server/keep/failures.ts');
  const { database } = await import('./server/db/connection.ts');
  keepFailures(database);
  const { startDelivery } = await import('./server/messages/delivery-loop.ts');
  startDelivery();
  const { startPeriods } = await import('./server/privacy/period-loop.ts');
  startPeriods();
  const { startWeek } = await import('./server/week/week-loop.ts');
  startWeek();
  const { startLearning } = await import('./server/learn/learn-loop.ts');
  startLearning();
}
