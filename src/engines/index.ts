import { arrange } from "./arrange";
import { beats } from "./beats";
import { capo } from "./capo";
import { degreeLine } from "./degree-line";
import { delay } from "./delay";
import type { Door, Outcome } from "./engine";
import { fingerings } from "./fingerings";
import { followLine } from "./follow-line";
import { harmoniser } from "./harmoniser";
import { identify } from "./identify";
import { loops } from "./loops";
import { pedals } from "./pedals";
import { planted } from "./planted";
import { play } from "./play";
import { read } from "./read";
import { recover } from "./recover";
import { bandSum } from "./room/band-sum";
import { contrast } from "./room/contrast";
import { eveningBanks } from "./room/evening-banks";
import { hardestChange } from "./room/hardest-change";
import { hearCells } from "./room/hear-cells";
import { layerPassesEngine } from "./room/layer-passes";
import { loopSound } from "./room/loop-sound";
import { loopVoicingsEngine } from "./room/loop-voicings";
import { mend } from "./room/mend";
import { otherIdeasEngine } from "./room/other-ideas";
import { readSource } from "./room/read-source";
import { shapePlan } from "./room/shape-plan";
import { toneOffers } from "./room/tone-offers";
import { split } from "./split";
import { standIns } from "./stand-ins";
import { strum } from "./strum";
import { tones, tonesLive } from "./tones";
import { voicePath } from "./voice-path";

export { budgetAt, type Door, type Outcome, type Told } from "./engine";

/** Every engine that is built, in the order people meet them; last those that only our rooms ask. */
export const ENGINES = Object.freeze([
  beats,
  capo,
  fingerings,
  identify,
  voicePath,
  planted,
  standIns,
  degreeLine,
  harmoniser,
  followLine,
  strum,
  play,
  split,
  arrange,
  loops,
  recover,
  tones,
  tonesLive,
  pedals,
  delay,
  read,
  shapePlan,
  hardestChange,
  bandSum,
  mend,
  otherIdeasEngine,
  contrast,
  hearCells,
  toneOffers,
  eveningBanks,
  loopSound,
  layerPassesEngine,
  loopVoicingsEngine,
  readSource,
] as const);

type AnyEngine = (typeof ENGINES)[number];
export type EngineName = AnyEngine["name"];
type Named<Name extends EngineName> = Extract<AnyEngine, { readonly name: Name }>;
type Computed<Name extends EngineName> = ReturnType<Named<Name>["compute"]>;

/** What an engine is asked by a window, what it answers, and why it may not. */
export type QuestionOf<Name extends EngineName> = Parameters<Named<Name>["compute"]>[0];
export type AnswerOf<Name extends EngineName> = Extract<Computed<Name>, { ok: true }>["value"];
export type ProblemOf<Name extends EngineName> = Extract<Computed<Name>, { ok: false }>["problem"];

/** The engines with a contract in JSON, as `--list` tells them. */
export const CONTRACTS: readonly { readonly name: string; readonly summary: string }[] = ENGINES.filter(
  ({ run }) => run !== null,
);

/**
 * Runs an engine on JSON.
 * @param door where it is asked, and so how long its search may be
 * @example runEngine("capo", { key: "D", chords: [{ symbol: "D", beats: 4 }] })
 */
export function runEngine(name: string, input: unknown, door: Door = "command line"): Outcome {
  const run = ENGINES.find((engine) => engine.name === name)?.run;
  if (run) return run(input, door);
  const names = CONTRACTS.map((engine) => engine.name).join(", ");
  return {
    ok: false,
    error: { path: "engine", message: `should be one of ${names}, not ${JSON.stringify(name)}` },
  };
}
