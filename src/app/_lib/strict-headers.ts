/** What every answer of the house says, whoever asks. */
export const STRICT: Readonly<Record<string, string>> = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(self), microphone=(self), serial=(self), geolocation=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'X-Frame-Options': 'DENY',
};

/** Pages and data are of this moment and of who asks: nothing on the way keeps them. */
export const NOT_KEPT: Readonly<Record<string, string>> = { 'Cache-Control': 'no-store' };

/** Data and files run nothing, wherever they are opened. Pages have their own policy with a nonce (`proxy.ts`). */
export const RUNS_NOTHING: Readonly<Record<string, string>> = {
  'Content-Security-Policy': [
    "default-src 'self'",
    "script-src 'none'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; '),
};
