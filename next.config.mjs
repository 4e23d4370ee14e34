import path from "node:path";

/**
 * Not TypeScript: a server that starts would first have to translate it, which takes 0.15 s.
 * @type {import("next").NextConfig}
 */
const config = {
  serverExternalPackages: ["@electric-sql/pglite", "tsx", "esbuild"],
  turbopack: { root: path.resolve(".") },
  poweredByHeader: false,
  // `npm test` checks types on its own, tests included; a build needs not do it again.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  // A server that was killed mid-song is back sooner when it reads a page only once it is asked for.
  experimental: { preloadEntriesOnStart: false },
  distDir: process.env.LANTERN_DIST ?? ".next",
};

export default config;
