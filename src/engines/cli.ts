import { readFileSync } from "node:fs";
import { CONTRACTS, type Outcome, runEngine } from ".";

/**
 * `npm run -s plan -- <engine> < input.json`: the result as JSON on standard output, exit 0. Bad input:
 * one line on standard error naming the field, exit 2, nothing on standard output.
 */
function main(args: readonly string[]): number {
  if (args.includes("--list")) {
    for (const { name, summary } of CONTRACTS) process.stdout.write(`${name}: ${summary}\n`);
    return 0;
  }
  const [name] = args;
  if (name === undefined)
    return refuse("engine", "should be named: npm run -s plan -- <engine> < input.json (or --list)");
  const outcome = CONTRACTS.some((engine) => engine.name === name) ? runOnInput(name) : runEngine(name, null);
  if (!outcome.ok) return refuse(outcome.error.path, outcome.error.message);
  process.stdout.write(`${JSON.stringify(outcome.result, null, 2)}\n`);
  return 0;
}

function runOnInput(name: string): Outcome {
  const text = readFileSync(0, "utf8");
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    const reason = error instanceof Error ? error.message.replaceAll(/\s+/gu, " ") : "";
    return { ok: false, error: { path: "input", message: `should be JSON on standard input (${reason})` } };
  }
  return runEngine(name, input);
}

function refuse(path: string, message: string): number {
  process.stderr.write(`${path}: ${message}\n`);
  return 2;
}

process.exitCode = main(process.argv.slice(2));
