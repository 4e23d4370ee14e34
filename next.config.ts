import path from "node:path";
import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["@electric-sql/pglite", "tsx", "esbuild"],
  turbopack: { root: path.resolve(".") },
  poweredByHeader: false,
  // `npm test` checks types on its own, tests included; a build needs not do it again.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  distDir: process.env.LANTERN_DIST ?? ".next",
};

export default config;
