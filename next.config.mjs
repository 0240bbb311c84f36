import { NOT_KEPT, STRICT } from './src/app/_lib/strict-headers.ts';

const listed = (headers) => Object.entries(headers).map(([key, value]) => ({ key, value }));

/** @type {import('next').NextConfig} */
const config = {
  // What programs ask under /api has its headers from there (src/app/api/answer.ts).
  headers: () =>
    Promise.resolve([
      { source: '/((?!api/).*)', headers: listed(STRICT) },
      { source: '/((?!_next/|api/).*)', headers: listed(NOT_KEPT) },
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
