import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { builtinModules } from "node:module";
import { tmpdir } from "node:os";
import path from "node:path";
import { cruise, type ICruiseResult } from "dependency-cruiser";
import { type ModuleFacts, readModule } from "./read-module";

export type GraphModule = {
  readonly file: string;
  readonly globals: readonly string[];
  readonly dependencies: readonly {
    /** The name it is asked by. */
    readonly name: string;
    /** The file it is, from the root; null for packages and for what is not found. */
    readonly file: string | null;
    readonly isMissing: boolean;
    /** The files of the way back here, where this import closes a circle. */
    readonly cycle: readonly string[];
  }[];
};

/** What is installed, generated or kept, and no code of the house; `next dev` rewrites `next-env.d.ts` for its own build. */
const LEFT_OUT = new Set([
  "node_modules",
  "next-env.d.ts",
  ".next",
  ".git",
  ".demo",
  "build",
  "data",
  "docs",
  "playwright-report",
  "test-results",
  "migrations",
]);
const CODE = /\.(?:ts|tsx|mts|mjs|cjs|js)$/u;

/** Every file of the project below a root, from there. */
function filesBelow(root: string): string[] {
  const all: string[] = [];
  const walk = (folder: string) => {
    for (const entry of readdirSync(path.join(root, folder), { withFileTypes: true })) {
      if (LEFT_OUT.has(entry.name) || entry.name.startsWith(".next")) continue;
      const place = path.posix.join(folder, entry.name);
      if (entry.isDirectory()) walk(place);
      else if (!/\.(?:png|tsbuildinfo)$/u.test(entry.name)) all.push(place);
    }
  };
  walk("");
  return all;
}

/**
 * A mirror of the project that holds nothing but imports. dependency-cruiser resolves, follows and finds circles; which
 * modules a file names is read off its syntax here, as it can read neither types nor .tsx without a TypeScript compiler.
 */
function writeMirror(
  root: string,
  facts: ReadonlyMap<string, ModuleFacts>,
  files: readonly string[],
): string {
  const mirror = mkdtempSync(path.join(tmpdir(), "lantern-graph-"));
  for (const file of files) {
    mkdirSync(path.join(mirror, path.dirname(file)), { recursive: true });
    const imports = facts.get(file)?.imports ?? [];
    const text = file.endsWith(".json")
      ? "{}"
      : [...new Set(imports)].map((name) => `import ${JSON.stringify(name)};`).join("\n");
    writeFileSync(path.join(mirror, file), text);
  }
  writeFileSync(path.join(mirror, "package.json"), readFileSync(path.join(root, "package.json")));
  symlinkSync(path.resolve("node_modules"), path.join(mirror, "node_modules"));
  return mirror;
}

const CORE_MODULES: ReadonlySet<string> = new Set(builtinModules);

/** Reads the resolved graph of all modules below a root, types included. */
export async function readGraph(root: string): Promise<GraphModule[]> {
  const files = filesBelow(root);
  const facts = new Map(
    files
      .filter((file) => CODE.test(file))
      .map((file) => [file, readModule(readFileSync(path.join(root, file), "utf8"), file.endsWith(".tsx"))]),
  );
  const mirror = writeMirror(root, facts, files);
  try {
    const tops = [...new Set(files.filter((file) => CODE.test(file)).map((file) => file.split("/")[0]!))];
    const { output } = await cruise(
      tops,
      { baseDir: mirror, doNotFollow: { path: "node_modules" }, moduleSystems: ["es6", "cjs"] },
      {
        alias: { "@": path.join(mirror, "src") },
        extensions: [".ts", ".tsx", ".mjs", ".js", ".css", ".json"],
        conditionNames: ["import", "require", "node", "default", "types"],
        exportsFields: ["exports"],
      },
    );
    return (output as ICruiseResult).modules
      .filter(({ source }) => facts.has(source))
      .map(({ source, dependencies }) => ({
        file: source,
        globals: facts.get(source)!.globals,
        dependencies: dependencies.map((found) => {
          const isOurs = files.includes(found.resolved);
          const isNode = CORE_MODULES.has(found.module.replace(/^node:/u, ""));
          return {
            name: isNode ? `node:${found.module.replace(/^node:/u, "")}` : found.module,
            file: isOurs ? found.resolved : null,
            isMissing: !isNode && found.couldNotResolve,
            cycle: (found.cycle ?? []).map((step) => (typeof step === "string" ? step : step.name)),
          };
        }),
      }));
  } finally {
    rmSync(mirror, { recursive: true, force: true });
  }
}
