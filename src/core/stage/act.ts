import { z } from "zod";
import { idSchema } from "../../document";
import type { LiveItem } from "./score";

/** Slowest and fastest a leader may set, beats a minute. */
const LIVE_BPM = Object.freeze({ least: 20, most: 320 });

const passage = z.string().min(1).max(60);

/** What a leader presses. Each moves everybody. */
export const liveActSchema = z.discriminatedUnion("type", [
  /** Stand at the beginning of a place of the running order. */
  z.object({ type: z.literal("open"), itemId: idSchema }),
  /** The next place of the running order. */
  z.object({ type: z.literal("next") }),
  /** Count in and play, from a section or from where it stands. */
  z.object({ type: z.literal("start"), passage: passage.nullable(), countBars: z.int().min(0).max(4) }),
  /** Play at this tempo from now on; with `snap` the press itself was on a beat. */
  z.object({
    type: z.literal("tempo"),
    bpm: z.number().min(LIVE_BPM.least).max(LIVE_BPM.most),
    snap: z.boolean(),
  }),
  z.object({ type: z.literal("hold") }),
  /** Out of a hold, at a sign, or on from a stop: the press is the next beat. */
  z.object({ type: z.literal("goOn") }),
  /** This section once more when it ends. */
  z.object({ type: z.literal("repeat") }),
  /** To a section: at once (the press is its first beat), at the next bar line, or at the end of this one. */
  z.object({ type: z.literal("jump"), passage, when: z.enum(["now", "bar", "end"]) }),
  /** This section round and round, until it is pressed again or somewhere else is gone to. */
  z.object({ type: z.literal("circle") }),
  /** Nothing else comes than what is written: takes back what was asked for and has not happened yet. */
  z.object({ type: z.literal("asWritten") }),
  /** Leave the next section out. */
  z.object({ type: z.literal("skip") }),
  z.object({ type: z.literal("stop") }),
  /** As if the last press had not been made. */
  z.object({ type: z.literal("undo") }),
]);

export type LeaderAct = z.infer<typeof liveActSchema>;

/** What stands in the log: a press, or the songs as they now stand. */
export type LiveAct = LeaderAct | { readonly type: "score"; readonly items: readonly LiveItem[] };

export type LiveEvent = {
  /** One more than the event before, from 1. */
  readonly id: number;
  /** The server's clock, ms since 1970; never before the event before. */
  readonly at: number;
  readonly act: LiveAct;
};
