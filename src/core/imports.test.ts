import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";

/** Folders of the core, lowest first: each may import only those before it. */
const CORE = [
  "base",
  "pitch",
  "chord",
  "rhythm",
  "fretboard",
  "song",
  "evidence",
  "parts",
  "loops",
  "tones",
  "cues",
  "evenings",
  "stage",
  "practice",
  "formats",
  "plan",
];

/** What each part of the house may import besides itself. */
const HOUSE: Readonly<Record<string, readonly string[]>> = {
  core: [],
  ui: ["core"],
  workers: ["core"],
  rooms: ["ui", "workers", "core"],
  server: ["core"],
  app: ["rooms", "ui", "server", "core"],
};

const ROOT = path.resolve("src");
const files = readdirSync(ROOT, { recursive: true, encoding: "utf8" }).filter(
  (file) => /\.(ts|tsx)$/u.test(file) && !/\.test\.tsx?$/u.test(file),
);

/** Made-up songs and cases for tests: they may reach into folders as tests may, and nothing that ships may use them. */
const isSample = (file: string) => /(?:^|[\\/])sample-[\w-]+(?:\.ts)?$/u.test(file);

/** Every import of a file, types included, as a path below `src`; packages as they are named. */
function importsOf(file: string): string[] {
  const text = readFileSync(path.join(ROOT, file), "utf8");
  const found = [
    ...text.matchAll(/(?:from|import)\s*\(?\s*["']([^"']+)["']|new URL\(\s*["']([^"']+)["']/gu),
  ].map((match) => match[1] ?? match[2]!);
  return found.map((name) => {
    if (name.startsWith("@/")) return name.slice(2);
    return name.startsWith(".")
      ? path.relative(ROOT, path.resolve(ROOT, path.dirname(file), name))
      : `package:${name}`;
  });
}

const upward = (may: (from: string, to: string) => boolean): string[] =>
  files.flatMap((file) =>
    importsOf(file)
      .filter((to) => !to.startsWith("package:") && !may(file, to))
      .map((to) => `${file} imports ${to}`),
  );

describe("imports go one way", () => {
  it("sees the files and their imports", () => {
    expect(files.length).toBeGreaterThan(60);
    expect(importsOf("core/chord/chord.ts")).toContain("core/pitch");
  });

  it("in the house", () => {
    const part = (file: string) => file.split(path.sep)[0]!.replace(/\.ts$/u, "");
    const rest = (from: string, to: string) => from === "instrumentation.ts" && part(to) === "server";
    expect(
      upward(
        (from, to) =>
          part(from) === part(to) || (HOUSE[part(from)] ?? []).includes(part(to)) || rest(from, to),
      ),
    ).toEqual([]);
  });

  it("in the core", () => {
    const folder = (file: string) => file.split(path.sep)[1]!;
    const may = (from: string, to: string) =>
      !from.startsWith("core") || CORE.indexOf(folder(to)) <= CORE.indexOf(folder(from));
    expect(upward(may)).toEqual([]);
    for (const file of files.filter((name) => name.startsWith("core"))) expect(CORE).toContain(folder(file));
  });

  it("from outside a core folder, only its front door", () => {
    const may = (from: string, to: string) => {
      const [root, folder, ...inside] = to.split(path.sep);
      return (
        root !== "core" ||
        (from.startsWith("core") && from.split(path.sep)[1] === folder) ||
        inside.length === 0 ||
        isSample(from)
      );
    };
    expect(upward(may)).toEqual([]);
  });

  it("from samples only for tests and other samples", () => {
    expect(files.some(isSample)).toBe(true);
    expect(upward((from, to) => !isSample(to) || isSample(from))).toEqual([]);
  });

  it("of packages, the core only has zod, and its command line may read", () => {
    const packages = files
      .filter((file) => file.startsWith("core"))
      .flatMap((file) =>
        importsOf(file)
          .filter((name) => name.startsWith("package:"))
          .map((name) => `${file} ${name}`),
      );
    for (const found of packages)
      expect(found).toMatch(
        /package:zod$|^core\/plan\/cli\.ts package:node:fs$|^core\/formats\/\S+ package:(?:fflate|fast-xml-parser|midi-file)$/u,
      );
  });

  it("the core has no clock and no chance", () => {
    for (const file of files.filter((name) => name.startsWith("core"))) {
      expect(readFileSync(path.join(ROOT, file), "utf8"), file).not.toMatch(
        /Date\.now|Math\.random|new Date\(|performance\./u,
      );
    }
  });
});
