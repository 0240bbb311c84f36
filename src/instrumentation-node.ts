import type { Instrumentation } from 'next';
import { offerAnswers } from './app/api/answer.ts';
import { database } from './server/db/connection.ts';
import { keepFailures } from './server/keep/failures.ts';
import { houseLog, takeWarnings } from './server/keep/log.ts';
import { lookOnly } from './server/keep/look-only.ts';
import { metrics } from './server/keep/metrics.ts';
import { endStreams } from './server/keep/open-streams.ts';
import { goOnUnheard } from './server/keep/unheard.ts';
import { startLearning } from './server/learn/learn-loop.ts';
import { startDelivery } from './server/messages/delivery-loop.ts';
import { startPeriods } from './server/privacy/period-loop.ts';
import { startWeek } from './server/week/week-loop.ts';

/** Writes to the house's log what a request failed of. */
export function requestFailed(
  ...[error, request, context]: Parameters<Instrumentation.onRequestError>
): void {
  const digest = (error as { digest?: string } | null)?.digest;
  houseLog().error('a request failed', {
    error,
    at: context.routePath || request.path,
    ...(digest !== undefined && { request: digest }),
  });
}

/** Offers what programs ask, and starts what runs by itself beside the requests: messages that are due, what is over its period, the week's plan, what is learned. */
export function startBeside(): void {
  offerAnswers();
  goOnUnheard();
  takeWarnings();
  process.on('SIGTERM', endStreams);
  metrics();
  if (lookOnly() !== null) return;
  keepFailures(database);
  startDelivery();
  startPeriods();
  startWeek();
  startLearning();
}
