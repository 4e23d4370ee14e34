import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import path from "node:path";

export const ROOT = path.resolve(import.meta.dirname, "..", "..");

/** Runs a command where the person can see it; a failure ends the program with its code. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: "inherit", env: process.env, ...options });
  if (done.error) throw done.error;
  return done.status ?? 1;
}

const hashOf = (texts) => {
  const hash = createHash("sha256");
  for (const text of texts) hash.update(text).update("\0");
  return hash.digest("hex");
};

const STAMPS = path.join(ROOT, "node_modules", ".lantern");

const readStamp = (name) => {
  const file = path.join(STAMPS, name);
  return existsSync(file) ? readFileSync(file, "utf8") : "";
};

const writeStamp = (name, value) => {
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(path.join(STAMPS, name), value);
};

/** Installs the locked dependencies when they are missing or the lock has changed. */
export function ensureInstalled() {
  const lock = hashOf([readFileSync(path.join(ROOT, "package-lock.json"))]);
  if (existsSync(path.join(ROOT, "node_modules", "next")) && readStamp("lock") === lock) return;
  process.stdout.write("Installing what the program needs (npm ci)…\n");
  const status = run("npm", ["ci", "--no-audit", "--no-fund"]);
  if (status !== 0) {
    process.stderr.write(
      "The dependencies could not be installed: see the lines above. Check the connection to the npm registry and try again.\n",
    );
    process.exit(status);
  }
  writeStamp("lock", lock);
}

/** The names and texts of a folder's files, tests left out. */
function sourcesIn(folder) {
  return readdirSync(path.join(ROOT, folder), { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => {
      const name = path.join(folder, entry.name);
      if (entry.isDirectory()) return sourcesIn(name);
      return /\.test\.tsx?$/u.test(name) ? [] : [name, readFileSync(path.join(ROOT, name))];
    });
}

/** Everything a build is made of, as one hash. */
function sourceHash() {
  const files = ["package-lock.json", "next.config.mjs", "postcss.config.mjs", "tsconfig.json"];
  return hashOf([
    ...files.flatMap((name) => [name, readFileSync(path.join(ROOT, name))]),
    ...sourcesIn("src"),
  ]);
}

/** The program's own server, as it is compiled. */
export const HOST = path.join(ROOT, "build", "host.mjs");

/** Where a part of the server is compiled to; what it imports from packages stays in node_modules. */
const ofServer = (name) => ({
  file: path.join(path.dirname(HOST), `${name}.mjs`),
  options: {
    outdir: path.dirname(HOST),
    outExtension: { ".js": ".mjs" },
    entryNames: name,
    chunkNames: `${name}-[hash]`,
    splitting: true,
    format: "esm",
    platform: "node",
    target: "node20",
    packages: "external",
  },
});
/** The thread that sounds in a window: a browser takes it as a file of its own, packages included. */
const SOUND = path.join(ROOT, "public", "sound-worklet.js");

/** What is compiled beside Next, the folders it is made of, and where it goes. */
const COMPILED = {
  host: {
    entry: "src/server/host/main.ts",
    from: ["src/server/host", "src/server/store"],
    ...ofServer("host"),
  },
  "store-thread": {
    entry: "src/server/store/thread.ts",
    from: ["src/server/store"],
    ...ofServer("store-thread"),
  },
  "work-thread": {
    entry: "src/server/apart/thread.ts",
    from: ["src/server", "src/api", "src/core", "src/document", "src/base"],
    ...ofServer("work-thread"),
  },
  "engine-thread": {
    entry: "src/server/engines/thread.ts",
    from: ["src/server/engines", "src/engines", "src/core", "src/document", "src/base"],
    ...ofServer("engine-thread"),
  },
  "sound-worklet": {
    entry: "src/performance/sound/worklet.ts",
    from: ["src/performance/sound"],
    withPackages: true,
    file: SOUND,
    options: { outfile: SOUND, minify: true, format: "iife", platform: "browser", target: "es2022" },
  },
};

/**
 * Leaves a database that holds nothing yet, as a folder and packed, where there is none of the present PGlite: a new data
 * folder begins as a copy of it.
 */
export async function ensureBlank() {
  const folder = path.join(ROOT, "build", "blank");
  const packed = `${folder}.tar`;
  const made = path.join(ROOT, "node_modules", "@electric-sql", "pglite", "package.json");
  const source = hashOf([readFileSync(made)]);
  if (existsSync(path.join(folder, "PG_VERSION")) && existsSync(packed) && readStamp("blank") === source)
    return;
  process.stdout.write("Making a blank database…\n");
  const { PGlite } = await import("@electric-sql/pglite");
  const half = `${folder}.unfinished`;
  for (const place of [half, folder, packed]) rmSync(place, { recursive: true, force: true });
  mkdirSync(half, { recursive: true });
  const database = await PGlite.create(half);
  const archive = await database.dumpDataDir("none");
  await database.close();
  writeFileSync(`${half}.tar`, new Uint8Array(await archive.arrayBuffer()));
  renameSync(`${half}.tar`, packed);
  renameSync(half, folder);
  writeStamp("blank", source);
}

/** Compiles the server, its threads and the one that sounds, where there is none of the present source. */
export async function ensureHost() {
  await ensureBlank();
  for (const [name, { entry, from, withPackages, file, options }] of Object.entries(COMPILED)) {
    const lock = withPackages ? [readFileSync(path.join(ROOT, "package-lock.json"))] : [];
    const source = hashOf([...from.flatMap(sourcesIn), ...lock]);
    if (existsSync(file) && readStamp(name) === source) continue;
    const { build } = await import("esbuild");
    await build({ entryPoints: [path.join(ROOT, entry)], bundle: true, logLevel: "warning", ...options });
    writeStamp(name, source);
  }
}

/** Builds when there is no build of the present source. @returns the exit code */
export async function ensureBuilt() {
  await ensureHost();
  const source = sourceHash();
  const built = path.join(ROOT, ".next", "BUILD_ID");
  if (existsSync(built) && statSync(built).size > 0 && readStamp("build") === source) return 0;
  process.stdout.write("Building…\n");
  const status = run("npx", ["--no-install", "next", "build"], {
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
  });
  if (status === 0) writeStamp("build", source);
  return status;
}

/** Puts a package of Debian's on the machine when its program is absent. @returns whether it is there now */
function ensureDebian(name, program) {
  const file = path.join("/usr/bin", program);
  if (existsSync(file)) return true;
  process.stdout.write(`Installing ${name} from Debian's packages…\n`);
  const sudo = process.getuid?.() === 0 ? [] : ["sudo", "-n"];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, "apt-get", ...args];
    return run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } });
  };
  if (apt("update") === 0) apt("install", "-y", "--no-install-recommends", name);
  return existsSync(file);
}

/** The browser of the browser tests. */
export const ensureChromium = () => ensureDebian("chromium", "chromium");
/** Writes a MIDI file out as text: a reference of the checks. */
export const ensureMidicsv = () => ensureDebian("midicsv", "midicsv");
/** Looks at certificates: another reference of the checks. */
export const ensureOpenssl = () => ensureDebian("openssl", "openssl");
