/**
 * The law of the house as data: which folder may import which, and which packages each may use. A part of the house is
 * the longest folder listed here that a file lies in.
 */
export type Part = {
  readonly folder: string;
  /** Parts it may import besides itself. */
  readonly from: readonly string[];
};

const PURE = ["src/core", "src/document", "src/base"];
const UNDER_ROOMS = [
  "src/ui",
  "src/api",
  "src/performance",
  "src/engines/window",
  "src/document/client",
  ...PURE,
];

export const HOUSE: readonly Part[] = [
  { folder: "src/base", from: [] },
  { folder: "src/document", from: ["src/base"] },
  { folder: "src/document/client", from: ["src/document", "src/base"] },
  { folder: "src/document/log", from: ["src/document", "src/base"] },
  { folder: "src/core", from: ["src/document", "src/base"] },
  { folder: "src/api", from: PURE },
  { folder: "src/performance", from: PURE },
  { folder: "src/engines", from: PURE },
  { folder: "src/engines/threads", from: [] },
  { folder: "src/engines/window", from: ["src/engines", "src/engines/threads", ...PURE] },
  { folder: "src/ui", from: PURE },
  { folder: "src/rooms", from: UNDER_ROOMS },
  { folder: "src/server/store", from: [] },
  { folder: "src/server/host", from: ["src/server/store"] },
  {
    folder: "src/server",
    from: [
      "src/server/host",
      "src/server/store",
      "src/api",
      "src/engines",
      "src/engines/threads",
      "src/document/log",
      ...PURE,
    ],
  },
  {
    folder: "src/app",
    from: ["src/rooms", "src/ui", "src/server", "src/server/host", "src/api", "src/engines", ...PURE],
  },
  { folder: "src/instrumentation.ts", from: ["src/server"] },
];

/** Folders of the core, lowest first: each may import only those before it. */
export const CORE = [
  "pitch",
  "chord",
  "rhythm",
  "fretboard",
  "playing",
  "song",
  "findings",
  "evidence",
  "parts",
  "loops",
  "sounds",
  "cues",
  "evenings",
  "stage",
  "practice",
  "formats",
] as const;

const SCREEN = [
  "next",
  "react",
  "lucide-react",
  "@dnd-kit",
  "zustand",
  "@tanstack/react-virtual",
  "cmdk",
  "sonner",
];

/** Packages and modules of Node by the longest folder listed: nothing else may be imported below it. */
export const PACKAGES: Readonly<Record<string, readonly string[]>> = {
  "src/base": [],
  "src/document": ["zod"],
  "src/document/client": ["idb", "zod/mini", "zustand"],
  "src/document/log": [],
  "src/core": ["zod"],
  "src/core/formats": ["zod", "fast-xml-parser", "fflate", "midi-file"],
  "src/engines/cli.ts": ["node:fs"],
  "src/api": ["zod"],
  "src/performance": [],
  "src/performance/sound/worklet.ts": ["spessasynth_core"],
  "src/engines": ["zod"],
  "src/engines/threads": [],
  "src/engines/window": ["comlink", "react", "@tanstack/react-query", "zustand"],
  "src/ui": [...SCREEN, "chart.js"],
  "src/rooms": [...SCREEN, "chart.js", "react-chartjs-2", "papaparse", "pitchy", "idb", "zod/mini"],
  "src/server/store": ["@electric-sql/pglite", "node:fs", "node:path", "node:worker_threads"],
  "src/server/host": [
    "next",
    "node-forge",
    "node:crypto",
    "node:fs",
    "node:http",
    "node:https",
    "node:module",
    "node:net",
    "node:os",
    "node:path",
  ],
  "src/server": [
    "@electric-sql/pglite",
    "comlink",
    "drizzle-orm",
    "fflate",
    "node:crypto",
    "node:fs",
    "node:path",
    "node:util",
    "node:worker_threads",
    "react",
    "zod",
  ],
  "src/app": [
    "next",
    "react",
    "node:fs",
    "node:path",
    "qrcode",
    "zod",
    "@fontsource",
    "@fontsource-variable",
  ],
  "src/instrumentation.ts": [],
};

/** Tests, benches, scripts and what starts the program may import whatever they try; only cycles and missing files are a breach. */
export const FREE = ["checks", "e2e", "bench", "scripts", "testing", "demo", "public"];

/** Folders whose `index` is the only way in from outside: those listed, and every folder right below a starred one. */
export const FRONT_DOORS = [
  "src/api",
  "src/base",
  "src/document",
  "src/document/client",
  "src/document/log",
  "src/engines",
  "src/engines/threads",
  "src/engines/window",
  "src/core/*",
  "src/performance/*",
  "src/server/host",
  "src/core/song/*",
  "src/rooms/*",
] as const;

/** Folders inside a folder of the core, lowest first, where they stand on each other. */
export const INSIDE: Readonly<Record<string, readonly string[]>> = {
  "src/core/song": ["schema", "read", "names", "moments", "edit", "compare"],
};

/** Tests, and what they share: they may reach inside, and nothing that ships may use them. */
export const isForTests = (file: string): boolean =>
  /\.test\.tsx?$/u.test(file) || file.startsWith("testing/");

/** What the core must not touch: clock, chance, timers, the process, the network, and everything of a browser. */
export const BANNED_GLOBALS: ReadonlySet<string> = new Set([
  "Date",
  "performance",
  "setTimeout",
  "setInterval",
  "setImmediate",
  "queueMicrotask",
  "requestAnimationFrame",
  "requestIdleCallback",
  "crypto",
  "process",
  "global",
  "globalThis",
  "self",
  "window",
  "document",
  "navigator",
  "location",
  "history",
  "localStorage",
  "sessionStorage",
  "indexedDB",
  "caches",
  "fetch",
  "XMLHttpRequest",
  "WebSocket",
  "EventSource",
  "Worker",
  "postMessage",
  "alert",
  "console",
  "Buffer",
  "__dirname",
  "__filename",
]);
export const BANNED_MEMBERS: ReadonlySet<string> = new Set(["Math.random", "import.meta"]);
