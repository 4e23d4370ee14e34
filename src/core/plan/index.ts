import { beats } from "./beats";
import { capo } from "./capo";
import type { Engine, Outcome } from "./engine";
import { fingerings } from "./fingerings";
import { read } from "./read";

export type { Engine, InputError, Outcome } from "./engine";

/** Every engine that is built, in the order people meet them. */
export const ENGINES: readonly Engine[] = Object.freeze([beats, capo, fingerings, read]);

/**
 * Runs an engine by name.
 * @example runEngine("capo", { key: "D", chords: [{ symbol: "D", beats: 4 }] })
 */
export function runEngine(name: string, input: unknown): Outcome {
  const found = ENGINES.find((engine) => engine.name === name);
  if (found) return found.run(input);
  const names = ENGINES.map((engine) => engine.name).join(", ");
  return {
    ok: false,
    error: { path: "engine", message: `should be one of ${names}, not ${JSON.stringify(name)}` },
  };
}
