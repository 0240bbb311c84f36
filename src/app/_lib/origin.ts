import { headers } from 'next/headers';
import { reachedBy } from './reached.ts';

/** The address codes and links carry: the house's public one, or where the page was asked for. */
export async function origin(): Promise<string> {
  const { host, secure } = reachedBy(await headers());
  return process.env['RUBRICA_PUBLIC_URL'] ?? `${secure ? 'https' : 'http'}://${host}`;
}
