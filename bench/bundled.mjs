/**
 * Runs one bench file as the program itself runs: bundled, without the names a development runner keeps on every
 * little function, which would be measured too. `node bench/bundled.mjs bench/core.ts`
 */
import { mkdtempSync, rmSync } from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "esbuild";

// The bench sees itself as the program that was called, with its own arguments.
const [, file] = process.argv.splice(1, 2, process.argv[2]);
// Inside the project, so that packages are found from there.
const folder = mkdtempSync(path.resolve("node_modules/.bench-"));
try {
  const outfile = path.join(folder, "bench.mjs");
  await build({
    entryPoints: [file],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    packages: "external",
    alias: { "@": path.resolve("src") },
    logLevel: "error",
  });
  await import(pathToFileURL(outfile).href);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
