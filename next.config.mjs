const STRICT = Object.entries({
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(self), microphone=(self), serial=(self), geolocation=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'X-Frame-Options': 'DENY',
}).map(([key, value]) => ({ key, value }));

/** Answers and files run nothing, wherever they are opened. Pages have their own policy with a nonce (proxy.ts). */
const RUNS_NOTHING = {
  key: 'Content-Security-Policy',
  value: [
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

/** @type {import('next').NextConfig} */
const config = {
  headers: () =>
    Promise.resolve([
      { source: '/:path*', headers: STRICT },
      { source: '/((?!_next/).*)', headers: [{ key: 'Cache-Control', value: 'no-store' }] },
      { source: '/api/:path*', headers: [RUNS_NOTHING] },
    ]),
  experimental: {
    // Each is loaded when it is first asked for: the house is there a second sooner.
    preloadEntriesOnStart: false,
    // A build is made once of a state of the sources: what it would keep for another takes a quarter of its time.
    turbopackFileSystemCacheForBuild: false,
    // What runs on the server is left readable, so that the stacks in the house's log are without maps.
    serverMinification: false,
    turbopackSourceMaps: false,
  },
  // The title comes with the page, not after it: a screen reader hears at once where it is.
  htmlLimitedBots: /.*/,
  serverExternalPackages: ['sequelize', 'mariadb', 'pdfkit', 'umzug', 'prom-client'],
  poweredByHeader: false,
  // The proxy before it makes answers smaller, beside the application and not in its time; this machine's own browser needs none of it.
  compress: false,
  reactStrictMode: true,
  // `./rubrica check` does this with the stricter programs; the build need not do it twice.
  typescript: { ignoreBuildErrors: true },
  allowedDevOrigins: ['127.0.0.1'],
};

export default config;
