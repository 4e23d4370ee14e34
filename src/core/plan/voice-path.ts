import { z } from "zod";
import { sure } from "../../base";
import { guessKey } from "../chord";
import { voicePath as findPath, GRADES, type HandEvent, sayFingering, withPassing } from "../fretboard";
import { type Key, parseKey } from "../pitch";
import { pathFields, readChanges, refusePath } from "./changes";
import { engine, fields, readKey } from "./engine";
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
  return guessKey(weighed)?.key ?? sure(parseKey("C"));
}

export const voicePath = engine(
  "voice-path",
  "The shortest way of the hand through a list of chords, and the reason of each change.",
  input,
  ({ changes, tempo, beatUnit: _unit, limit, cyclic, grades, key, budget, ...rest }) => {
    const options = readHand({ ...rest, budget });
    const chart = readChanges(changes, options.tuning.length);
    const walked = withPassing(chart, grades, key === undefined ? keyOf(chart) : readKey(key, ["key"]));
    const found = findPath(walked.events, { ...options, limit, cyclic, budget, beatMs: 60000 / tempo });
    if (!found.ok) return refusePath(found.problem, changes, walked.of);
    const events = walked.events.map((event, index) => ({
      ...(event.kind === "chord" ? { symbol: event.chord.symbol } : {}),
      beats: event.beats,
      of: walked.of[index]!,
      passing: event.kind === "chord" && event.passing === true,
    }));
    const path = found.value.path.map((one) => ({ ...one, instruction: sayFingering(one, options.tuning) }));
    return { ...found.value, path, events };
  },
);
