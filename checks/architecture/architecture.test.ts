import { cpSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { breachesOf } from "./breaches";
import { readGraph } from "./graph";

const ROOT = path.resolve(".");

describe("the law of the house", () => {
  it("holds on the whole resolved graph", async () => {
    const modules = await readGraph(ROOT);
    // A graph that was not read breaks no law.
    expect(modules.length).toBeGreaterThan(850);
    const links = modules.reduce((sum, { dependencies }) => sum + dependencies.length, 0);
    expect(links).toBeGreaterThan(3500);
    const chord = modules.find(({ file }) => file === "src/core/chord/chord.ts");
    expect(chord?.dependencies.map(({ file }) => file)).toContain("src/core/pitch/index.ts");
    expect(breachesOf(modules)).toEqual([]);
  });

  it("sees every breach that is put into a copy of the house, without a .git folder", async () => {
    const copy = mkdtempSync(path.join(tmpdir(), "lantern-breach-"));
    try {
      for (const name of ["src", "scripts", "bench", "testing", "package.json"])
        cpSync(path.join(ROOT, name), path.join(copy, name), { recursive: true });
      writeFileSync(path.join(copy, "next-env.d.ts"), GENERATED);
      for (const [file, text] of Object.entries(BROKEN)) writeFileSync(path.join(copy, file), text);
      const found = breachesOf(await readGraph(copy));
      expect(found.sort()).toEqual(SAID.sort());
    } finally {
      rmSync(copy, { recursive: true, force: true });
    }
  });
});

/** As the framework leaves it when its other way of starting was the last: what it names is no longer there. */
const GENERATED = `import "./.next/dev/types/routes.d.ts";\n`;

/** Files that break the law, each in one way. */
const BROKEN: Readonly<Record<string, string>> = {
  "src/core/pitch/z-require.ts": `export const rail = require("../../rooms/house/rail");`,
  "src/core/pitch/z-template.ts": "export const pretty = () => import(`../../ui/pretty`);",
  "src/core/pitch/z-type.ts": `import type { Wick } from "../../ui/Wick"; export type W = typeof Wick;`,
  "src/core/pitch/z-type-of.ts": `export type W = import("../../ui/Wick").Wick;`,
  "src/core/pitch/z-clock.ts": "export const now = () => Date.now();",
  "src/core/pitch/z-day.ts": "export const today = () => new Date();",
  "src/core/pitch/z-chance.ts": "export const chance = () => Math.random();",
  "src/core/pitch/z-timer.ts": "export const later = (act: () => void) => setTimeout(act, 1);",
  "src/core/pitch/z-id.ts": "export const id = () => crypto.randomUUID();",
  "src/core/pitch/z-kept.ts": `export const kept = () => localStorage.getItem("x");`,
  "src/core/pitch/z-said.ts": "export const said = () => process.env.HOME;",
  "src/core/pitch/z-whole.ts": "export const all = () => globalThis;",
  "src/core/pitch/z-module.mjs": `import { pretty } from "../../ui/pretty"; export { pretty };`,
  "src/core/pitch/z-higher.ts": `export { parseChord } from "../chord";`,
  "src/core/song/read/z-higher.ts": `export { add } from "../edit/makers";`,
  "src/core/pitch/z-inside.ts": `export * from "./no-such-file";`,
  "src/core/chord/z-past-the-door.ts": `export * from "../pitch/key";`,
  "src/core/chord/z-one.ts": `import { two } from "./z-two"; export const one = () => two;`,
  "src/core/chord/z-two.ts": `import type { one } from "./z-one"; export const two = {} as typeof one;`,
  "src/core/chord/z-package.ts": `import { openDB } from "idb"; export { openDB };`,
  "src/rooms/cues/z-database.ts": `import { eq } from "drizzle-orm"; export { eq };`,
  "src/rooms/cues/z-neighbour.ts": `export { SongRoom } from "../song/SongRoom";`,
  "src/rooms/cues/z-sample.ts": `export * from "../../../testing/stage/sample-live";`,
  "src/ui/z-database.ts": `import { PGlite } from "@electric-sql/pglite"; export { PGlite };`,
  "src/ui/z-worker.ts": `export const place = new URL("../rooms/house/rail.ts", import.meta.url);`,
  "src/server/z-room.ts": `export { rail } from "../rooms/house/rail";`,
  "src/document/z-music.ts": `export { parseChord } from "../core/chord";`,
  "src/attic.ts": "export const dust = 1;",
};

const SAID = [
  "src/core/pitch/z-require.ts imports src/rooms/house/rail.ts, which lies above src/core",
  "src/core/pitch/z-template.ts imports src/ui/pretty.ts, which lies above src/core",
  "src/core/pitch/z-type.ts imports src/ui/Wick.tsx, which lies above src/core",
  "src/core/pitch/z-type-of.ts imports src/ui/Wick.tsx, which lies above src/core",
  "src/core/pitch/z-clock.ts uses Date",
  "src/core/pitch/z-day.ts uses Date",
  "src/core/pitch/z-chance.ts uses Math.random",
  "src/core/pitch/z-timer.ts uses setTimeout",
  "src/core/pitch/z-id.ts uses crypto",
  "src/core/pitch/z-kept.ts uses localStorage",
  "src/core/pitch/z-said.ts uses process",
  "src/core/pitch/z-whole.ts uses globalThis",
  "src/core/pitch/z-module.mjs imports src/ui/pretty.ts, which lies above src/core",
  "src/core/pitch/z-higher.ts imports src/core/chord/index.ts, which lies higher in the core",
  "src/core/song/read/z-higher.ts imports src/core/song/edit/makers.ts, which lies higher in its folder of the core",
  "src/core/pitch/z-inside.ts imports ./no-such-file, which can't be found",
  "src/core/chord/z-past-the-door.ts imports src/core/pitch/key.ts, which is inside src/core/pitch, whose front door is its index",
  "src/core/chord/z-one.ts is in a circle: src/core/chord/z-two.ts → src/core/chord/z-one.ts",
  "src/core/chord/z-two.ts is in a circle: src/core/chord/z-one.ts → src/core/chord/z-two.ts",
  "src/core/chord/z-package.ts imports idb, a package src/core may not use",
  "src/rooms/cues/z-database.ts imports drizzle-orm, a package src/rooms may not use",
  "src/rooms/cues/z-neighbour.ts imports src/rooms/song/SongRoom.tsx, which is inside src/rooms/song, whose front door is its index",
  "src/rooms/cues/z-sample.ts imports testing/stage/sample-live.ts, which is for tests only",
  "src/ui/z-database.ts imports @electric-sql/pglite, a package src/ui may not use",
  "src/ui/z-worker.ts imports src/rooms/house/rail.ts, which lies above src/ui",
  "src/server/z-room.ts imports src/rooms/house/rail.ts, which lies above src/server",
  "src/document/z-music.ts imports src/core/chord/index.ts, which lies above src/document",
  "src/attic.ts lies in a folder the law does not name",
];
