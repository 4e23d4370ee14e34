import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";

/** What a screen on stage asks for first, and again and again. */
const FIRST = /^\/api\/stage\/\[eveningId\]\/(?:live|me|clock|events)\/route$/u;

/**
 * Reads in what screens on stage ask for first, while the database is still being opened: after a crash they all wait for it.
 * Whatever is not there as it is looked for is read in when it is asked for.
 * @param dist the folder Next has built into
 */
export function readAhead(dist: string): void {
  const server = path.resolve(dist, "server");
  const load = createRequire(path.join(server, "index.js"));
  try {
    const built = JSON.parse(readFileSync(path.join(server, "app-paths-manifest.json"), "utf8")) as Readonly<
      Record<string, string>
    >;
    for (const [route, file] of Object.entries(built)) if (FIRST.test(route)) load(path.join(server, file));
  } catch {
    // Then it takes a moment longer.
  }
}
