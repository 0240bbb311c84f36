import type { NextConfig } from 'next';

const config: NextConfig = {
  // The title comes with the page, not after it: a screen reader hears at once where it is.
  htmlLimitedBots: /.*/,
  serverExternalPackages: ['sequelize', 'mariadb', 'pdfkit', 'umzug'],
  poweredByHeader: false,
  reactStrictMode: true,
  // `./rubrica check` does this with the stricter programs; the build need not do it twice.
  typescript: { ignoreBuildErrors: true },
  allowedDevOrigins: ['127.0.0.1'],
};

export default config;
