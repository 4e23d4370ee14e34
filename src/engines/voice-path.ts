import { z } from "zod";
import { unwrap } from "@/base";
import { guessKey } from "@/core/chord";
import {
  describeFingering,
  voicePath as findPath,
  GRADES,
  type HandEvent,
  withPassing,
} from "@/core/fretboard";
import { type Key, parseKey } from "@/core/pitch";
import { pathFields, readChanges, refusedPath } from "./changes";
import { engine } from "./engine";
import { fields, readKey } from "./fields";
import { handFields, readHand } from "./hand";

const input = z.object({
  ...handFields,
  ...pathFields,
  cyclic: fields.flag.default(false),
  grades: z.enum(GRADES, { error: `should be one of ${GRADES.join(", ")}` }).default("none"),
  /** What passing basses are steps of; left out it is guessed from the chords. */
  key: fields.key.optional(),
});

function keyOf(events: readonly HandEvent[]): Key {
  const weighed = events.flatMap((event) =>
    event.kind === "chord" && event.chord.kind === "chord"
      ? [{ chord: event.chord, beats: event.beats }]
      : [],
  );
  return guessKey(weighed)?.key ?? unwrap(parseKey("C"));
}

export const voicePath = engine({
  name: "voice-path",
  summary: "The shortest way of the hand through a list of chords, and the reason of each change.",
  steps: { http: 100_000_000, window: 100_000_000 },
  input,
  read: ({ changes, tempo, beatUnit: _unit, limit, cyclic, grades, key, ...hand }) => {
    const options = readHand(hand);
    const chart = readChanges(changes, options.tuning.length);
    const walked = withPassing(chart, grades, key === undefined ? keyOf(chart) : readKey(key, ["key"]));
    return { walked, options: { ...options, limit, cyclic, beatMs: 60000 / tempo } };
  },
  compute: ({ walked, options }, { budget }) => findPath(walked.events, { ...options, budget }),
  tell: (found, _input, { walked, options }) => ({
    ...found,
    moves: found.moves.map(({ parts: _parts, ...move }) => move),
    path: found.path.map((one) => ({ ...one, instruction: describeFingering(one, options.tuning) })),
    events: walked.events.map((event, index) => ({
      ...(event.kind === "chord" ? { symbol: event.chord.symbol } : {}),
      beats: event.beats,
      of: walked.of[index]!,
      passing: event.kind === "chord" && event.passing === true,
    })),
  }),
  refuse: (problem, { changes }, { walked }) => refusedPath(problem, changes, walked.of),
});
