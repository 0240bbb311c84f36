import { NextResponse, type NextRequest } from 'next/server';
import { whyNotServed } from './app/_lib/reached.ts';

/** The content policy of one answer: scripts only with this answer's nonce, nothing from elsewhere. */
function policy(nonce: string, development: boolean): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    `style-src-elem 'self' ${development ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Puts the content policy on every page, with a fresh nonce each time. The other strict headers are the same for all. */
export function proxy(request: NextRequest): NextResponse {
  // Pages are only read: what would be sent to one is refused before anybody reads it.
  if (request.method !== 'GET' && request.method !== 'HEAD')
    return new NextResponse(null, { status: 405, headers: { Allow: 'GET, HEAD', Connection: 'close' } });
  const why = whyNotServed(request.headers);
  if (why !== null) return new NextResponse(why, { status: 421, headers: { Connection: 'close' } });
  if (request.headers.has('rsc')) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const csp = policy(nonce, process.env.NODE_ENV === 'development');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', csp);
  headers.set('x-path', request.nextUrl.pathname);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('Content-Security-Policy', csp);
  return answer;
}

/**
 * Documents alone carry scripts: data of a page loaded again, answers and files need no nonce. Whatever brings a body to
 * a page is stopped here.
 */
export const config = {
  matcher: [
    {
      source: '/((?!api/|_next/static|_next/image|icons/|icon.svg|sw.js|manifest.webmanifest).*)',
      missing: [{ type: 'header', key: 'rsc' }],
    },
    {
      source: '/((?!api/|_next/static|_next/image|icons/|icon.svg|sw.js|manifest.webmanifest).*)',
      has: [{ type: 'header', key: 'content-length' }],
    },
    {
      source: '/((?!api/|_next/static|_next/image|icons/|icon.svg|sw.js|manifest.webmanifest).*)',
      has: [{ type: 'header', key: 'transfer-encoding' }],
    },
  ],
};
