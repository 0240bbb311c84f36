/** Whether a request that changes something comes from our own pages: its Origin must be the host it was sent to. */
export function sameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return false;
  try {
    return new URL(origin).host === request.headers.get('host');
  } catch {
    return false;
  }
}

/** Whether the house is reached over https, so that cookies are kept to it. */
export const secureCookies = (): boolean => (process.env['RUBRICA_PUBLIC_URL'] ?? '').startsWith('https:');
