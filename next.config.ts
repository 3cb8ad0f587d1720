import type { NextConfig } from 'next';

/** Native modules, and one that reads files beside its code, stay outside the bundle; everything else is Next's default. */
const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', '@node-rs/argon2', 'dictionary-en'],
  poweredByHeader: false,
  reactStrictMode: true,
  // A page comes with its title, and keeps it while it is looked at again; streamed after it, it would be without one for a moment.
  htmlLimitedBots: /.*/,
  // `npm run types` checks all of it; a build need not do so again.
  typescript: { ignoreBuildErrors: true },
  distDir: process.env.ABLE_DIST_DIR ?? '.next',
};

export default config;
