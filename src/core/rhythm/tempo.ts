import type { Ticks } from "../../base";
import { type BeatUnit, ticksOfBeatUnit } from "./meter";

/** Beats a minute of a stated note value. */
export type Tempo = { readonly bpm: number; readonly beatUnit: BeatUnit };

export const MOST_BPM = 400;

/** Milliseconds that ticks last. @example tempoMs(960, { bpm: 60, beatUnit: "1/4" }) // => 1000 */
export const tempoMs = (ticks: Ticks, tempo: Tempo): number =>
  (ticks / (ticksOfBeatUnit(tempo.beatUnit) ?? 960)) * (60000 / tempo.bpm);
