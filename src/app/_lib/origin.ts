import { headers } from 'next/headers';

/** The address codes and links carry: the house's public one, or where the page was asked for. */
export async function origin(): Promise<string> {
  const host = (await headers()).get('host') ?? '127.0.0.1';
  return process.env['RUBRICA_PUBLIC_URL'] ?? `http://${host}`;
}
