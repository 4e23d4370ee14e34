import { readFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

const ROOT = path.join(path.dirname(fileURLToPath(import.meta.url)), "..", "..");

/** Works that are shipped and are no plain package of the lock file: what is said of them. */
const FONTS = [
  [
    "Atkinson Hyperlegible Next (font)",
    "@fontsource-variable/atkinson-hyperlegible-next",
    "atkinson-hyperlegible-next.txt",
  ],
  [
    "Atkinson Hyperlegible Mono (font)",
    "@fontsource/atkinson-hyperlegible-mono",
    "atkinson-hyperlegible-mono.txt",
  ],
];
/** Works that stand in the program itself. */
const OWN = [
  "| FluidR3Mono (bank of sounds, cut and tuned by `scripts/cut-bank.mjs`) | 2.315 | MIT, `licences/fluidr3mono.txt` |",
];
/** Packages that only build, and whose output is shipped. */
const STYLES = ["daisyui", "tailwindcss"];
/** What else is inside a package, or which of the licences it offers is taken. */
const MORE = {
  "@electric-sql/pglite": "; PostgreSQL inside: PostgreSQL Licence",
  "node-forge": ": BSD-3-Clause is taken",
};

const head = `# Notices

Shared Lantern ships these works of others. Written by \`node scripts/notices.mjs\` from the lock file; \`npm test\` checks it.

| what | version | licence |
|---|---|---|
`;
const foot = `
Each package carries its licence text in \`node_modules\` after installing. The film in \`public/\` that keeps a screen lit is two
seconds of one colour, made for this program. The songs in \`demo/\`, words and chords, were written for this program.
`;

/** The page of notices, as the lock file of the project says. @returns Markdown */
export function noticesOf(lock = JSON.parse(readFileSync(path.join(ROOT, "package-lock.json"), "utf8"))) {
  const found = new Map();
  for (const [place, { version, license, dev, devOptional, optional }] of Object.entries(lock.packages)) {
    const name = place.slice(place.lastIndexOf("node_modules/") + "node_modules/".length);
    const isShipped = place !== "" && !dev && !devOptional && !optional;
    const isStyle = place === `node_modules/${name}` && STYLES.includes(name);
    if (!isShipped && !isStyle) continue;
    const known = found.get(name) ?? { versions: new Set(), licence: license ?? "not said" };
    known.versions.add(version);
    found.set(name, known);
  }
  const fonts = FONTS.map(([words, name, file]) => {
    const { versions } = found.get(name);
    found.delete(name);
    return `| ${words} | ${[...versions].join(", ")} of its package | SIL Open Font License 1.1, \`licences/${file}\` |`;
  });
  const packages = [...found]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(
      ([name, { versions, licence }]) =>
        `| ${name} | ${[...versions].sort().join(", ")} | ${licence}${MORE[name] ?? ""} |`,
    );
  return `${head}${[...fonts, ...OWN, ...packages].join("\n")}\n${foot}`;
}

/** Licences that may be shipped: none that asks for the program's own source. */
export const MAY_SHIP = [
  "MIT",
  "ISC",
  "Apache-2.0",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "0BSD",
  "OFL-1.1",
  "CC-BY-4.0",
];
