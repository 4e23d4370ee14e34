/**
 * `npm test`: everything, on a fresh machine too. Lint, types and build count as one check each; the last
 * line counts all of them together with every test.
 */
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import {
  ensureBlank,
  ensureBuilt,
  ensureChromium,
  ensureInstalled,
  ensureMidicsv,
  ensureOpenssl,
  run,
} from "./lib/ready.mjs";

const reports = mkdtempSync(path.join(tmpdir(), "lantern-test-"));
const total = { passed: 0, failed: 0, skipped: 0 };

const add = (name, counts) => {
  for (const key of Object.keys(total)) total[key] += counts[key];
  process.stdout.write(
    `${name}: ${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped, ${Math.round((Date.now() - began) / 1000)} s\n\n`,
  );
};
const one = (status) => ({ passed: Number(status === 0), failed: Number(status !== 0), skipped: 0 });

/** A runner that died before it wrote a report has failed once. */
function fromReport(file, read, status) {
  if (!existsSync(file)) return { passed: 0, failed: 1, skipped: 0 };
  const counts = read(JSON.parse(readFileSync(file, "utf8")));
  const silent = status !== 0 && counts.failed === 0;
  const nothing = counts.passed === 0 && counts.failed === 0;
  return { ...counts, failed: counts.failed + Number(silent || nothing) };
}

const readVitest = (report) => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests,
  skipped: report.numPendingTests + (report.numTodoTests ?? 0),
});
const readPlaywright = ({ stats }) => ({
  passed: stats.expected + stats.flaky,
  failed: stats.unexpected,
  skipped: stats.skipped,
});

let began = Date.now();
const stage = async (name, work) => {
  began = Date.now();
  process.stdout.write(`— ${name}\n`);
  add(name, await work());
};

const vitest = (project) => {
  const file = path.join(reports, `${project}.json`);
  const status = run("npx", [
    "--no-install",
    "vitest",
    "run",
    "--project",
    project,
    "--reporter=default",
    "--reporter=json",
    `--outputFile.json=${file}`,
  ]);
  return fromReport(file, readVitest, status);
};

ensureInstalled();
await stage("lint", () => one(run("npx", ["--no-install", "biome", "check", "--error-on-warnings", "."])));
await stage("architecture", () => vitest("arch"));
await stage("dead code", () => one(run("npx", ["--no-install", "knip"])));
await ensureBlank();
await stage("unit", () => vitest("unit"));
await stage("build", async () => one(await ensureBuilt()));
// After the build, which writes the types of the routes.
await stage("types", () => one(run("npx", ["--no-install", "tsc", "--noEmit"])));
await stage("checks", () => {
  if (!ensureMidicsv())
    process.stderr.write(
      "midicsv is not on this machine and could not be installed from Debian's packages (midicsv). Install it and run npm test again.\n",
    );
  if (!ensureOpenssl())
    process.stderr.write(
      "openssl is not on this machine and could not be installed from Debian's packages (openssl). Install it and run npm test again.\n",
    );
  return vitest("checks");
});
await stage("browser", () => {
  if (!ensureChromium()) {
    process.stderr.write(
      "Chromium is not on this machine and could not be installed from Debian's packages (chromium). Install it and run npm test again.\n",
    );
    return { passed: 0, failed: 1, skipped: 0 };
  }
  const file = path.join(reports, "browser.json");
  const status = run("npx", ["--no-install", "playwright", "test"], {
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  return fromReport(file, readPlaywright, status);
});
rmSync(reports, { recursive: true, force: true });

process.stdout.write(`${total.passed} passed, ${total.failed} failed, ${total.skipped} skipped\n`);
process.exitCode = total.failed === 0 ? 0 : 1;
