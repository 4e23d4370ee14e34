import path from "node:path";
import type { NextConfig } from "next";

const config: NextConfig = {
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
