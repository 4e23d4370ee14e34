import type { KnipConfig } from "knip";

/** What nobody uses is a fault: files, exports, packages. Entries are what is started by name. */
const config: KnipConfig = {
  entry: [
    "src/engines/window/engines.worker.ts",
    "src/server/engines/thread.ts",
    "src/server/host/main.ts",
    "src/server/store/thread.ts",
    "src/server/apart/thread.ts",
    "src/performance/sound/worklet.ts",
    "scripts/*.{mjs,ts}",
    "bench/*.{mjs,ts}",
    "checks/faults/main.ts",
    "public/stage-worker.js",
    // Loaded before the program, by a check and a bench.
    "scripts/lib/failing-disk.mjs",
    "scripts/lib/loop-delay.mjs",
    "scripts/lib/moved-clock.mjs",
  ],
  project: ["**/*.{ts,tsx,mjs,js,css}"],
  ignoreBinaries: ["openssl", "umount", "unshare"],
  compilers: {
    css: (text: string) =>
      [...text.matchAll(/@(?:import|plugin)\s+"([^"]+)"/gu)]
        .map(([, name]) => `import "${name}";`)
        .join("\n"),
  },
};

export default config;
