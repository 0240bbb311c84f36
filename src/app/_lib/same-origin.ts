import { reachedBy, whyNotServed } from './reached.ts';

/**
 * Whether a request that changes something comes from our own pages: its Origin must be the host it was sent to, and that
 * host one of ours.
 */
export function sameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null || whyNotServed(request.headers) !== null) return false;
  const { host, secure } = reachedBy(request.headers);
  try {
    const from = new URL(origin);
    return from.host === host && (!secure || from.protocol === 'https:');
  } catch {
    return false;
  }
}

/** Whether a request came over https, so that cookies are kept to it. */
export const secureCookies = (request: Request): boolean => reachedBy(request.headers).secure;
