'use client';

const MOST = 10;
let told = 0;

/** Tells the house of a fault of this screen, a few times at most: its kind, its place, nothing that was typed. */
export function reportError(where: string, error: unknown): void {
  if (++told > MOST) return;
  const known = error instanceof Error ? error : new Error(String(error));
  const body = JSON.stringify({
    where: where.slice(0, 80),
    kind: known.name.slice(0, 80),
    stack: (known.stack ?? '')
      .split('\n')
      .filter((line) => line.includes('/_next/') || line.trim().startsWith('at '))
      .slice(0, 8)
      .map((line) => line.trim().slice(0, 200)),
    path: window.location.pathname.slice(0, 120),
  });
  void fetch('/api/client-error', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body,
    keepalive: true,
  }).catch(() => undefined);
}
