import { beats } from "./beats";
import { capo } from "./capo";
import { degreeLine } from "./degree-line";
import { delay } from "./delay";
import type { Engine, Outcome } from "./engine";
import { fingerings } from "./fingerings";
import { harmoniser } from "./harmoniser";
import { identify } from "./identify";
import { loops } from "./loops";
import { pedals } from "./pedals";
import { planted } from "./planted";
import { read } from "./read";
import { recover } from "./recover";
import { split } from "./split";
import { standIns } from "./stand-ins";
import { strum } from "./strum";
import { tones } from "./tones";
import { voicePath } from "./voice-path";

export type { Engine, Outcome } from "./engine";

/** Every engine that is built, in the order people meet them. */
export const ENGINES: readonly Engine[] = Object.freeze([
  beats,
  capo,
  fingerings,
  identify,
  voicePath,
  planted,
  standIns,
  degreeLine,
  harmoniser,
  strum,
  split,
  loops,
  recover,
  tones,
  pedals,
  delay,
  read,
]);

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
