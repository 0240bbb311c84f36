import { timingSafeEqual } from 'node:crypto';

/** How the house was reached: under which host (with its port), and whether over https. */
export interface Reached {
  readonly host: string;
  readonly secure: boolean;
}

/** The header in which a proxy that was named says who it is. */
const PROXY_HEADER = 'x-rubrica-proxy';

function publicHost(): { readonly host: string; readonly secure: boolean } | null {
  try {
    const { host, protocol } = new URL(process.env['RUBRICA_PUBLIC_URL'] ?? '');
    return { host, secure: protocol === 'https:' };
  } catch {
    return null;
  }
}

function isNamedProxy(headers: Headers): boolean {
  const [given, token] = [headers.get(PROXY_HEADER), process.env['RUBRICA_PROXY_TOKEN']];
  if (given === null || token === undefined || token === '') return false;
  const [a, b] = [Buffer.from(given), Buffer.from(token)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/**
 * How a request reached the house. What a proxy says of host and protocol counts only where the proxy is one that was named: it
 * knows the token.
 */
export function reachedBy(headers: Headers): Reached {
  const host = headers.get('host') ?? '';
  if (isNamedProxy(headers))
    return {
      host: headers.get('x-forwarded-host') ?? host,
      secure: headers.get('x-forwarded-proto') === 'https',
    };
  const known = publicHost();
  return { host, secure: known !== null && known.secure && known.host === host };
}

/** The address codes and links carry: the house's public one, or where it was asked. */
export function originOf(headers: Headers): string {
  const { host, secure } = reachedBy(headers);
  return process.env['RUBRICA_PUBLIC_URL'] ?? `${secure ? 'https' : 'http'}://${host}`;
}

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
const isLoopback = (host: string): boolean => LOOPBACK.test(host);

/** Whether a request comes from this machine itself, past every proxy. */
export const isFromHere = (headers: Headers): boolean =>
  isLoopback(headers.get('host') ?? '') &&
  !headers.has(PROXY_HEADER) &&
  !headers.has('forwarded') &&
  !headers.has('x-real-ip') &&
  /^((::ffff:)?127\.0\.0\.1|::1)?$/.test(headers.get('x-forwarded-for') ?? '');

/** The names the house answers to: the machine itself, its public address, and those its start named. */
export function isOurName(host: string): boolean {
  if (isLoopback(host)) return true;
  const named = (process.env['RUBRICA_HOSTS'] ?? '').split(',').filter(Boolean);
  return host === publicHost()?.host || named.includes(host);
}

/** Why a request is not served, or null: under a name that is not ours, or from elsewhere without https. */
export function whyNotServed(headers: Headers): string | null {
  const { host, secure } = reachedBy(headers);
  if (!isOurName(host))
    return 'This house does not answer to that name. Open it under the address that its start shows.';
  if (secure || isLoopback(host)) return null;
  return 'Rubrica is served over https alone: a microphone, a gauge on a cable and work without a connection need a secure page. Open the https address that its start shows.';
}
