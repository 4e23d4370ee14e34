import { z } from "zod";
import { defineTable, idSchema, type RowOf } from "../../../document";
import { optionalId, order, text } from "./row-fields";

/** What was practised: by oneself to the sound of the band, a step of the ladder, the changes of chords, or by the whole band. */
const PRACTICE_KINDS = ["part", "ladder", "changes", "band"] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

const MOST_MINUTES = 600;

const row = z.object({
  id: idSchema,
  order,
  /** The day, as 2026-12-24. */
  day: z.string().regex(/^\d{4}-\d{2}-\d{2}$/u, { error: "should be a day such as 2026-12-24" }),
  kind: z.enum(PRACTICE_KINDS),
  versionId: optionalId,
  /** Who, by name, as they were called then; "" is the whole band. */
  player: text(120),
  /** Which part of the song: a section, bars, a change of chords; "" is all of it. */
  what: text(120),
  minutes: z
    .number()
    .min(0)
    .max(MOST_MINUTES, { error: `should be at most ${MOST_MINUTES} minutes` }),
  /** The tempo that was reached, in hundredths of the one written; null where there was none. */
  percent: z.int().min(0).max(400).nullable(),
  /** How often it was gone through, and how often of these without a fault; clean changes in a minute. Null is not counted. */
  rounds: z.int().min(0).max(10_000).nullable(),
  clean: z.int().min(0).max(10_000).nullable(),
  note: text(400),
});

/** What is said of something that was practised, whoever it was. */
export const practisedSchema = row.pick({
  day: true,
  what: true,
  minutes: true,
  percent: true,
  rounds: true,
  clean: true,
});

/** Something that was practised of a song: who, what, how long, and how far they came. */
const practice = defineTable({
  row,
  called: "practice",
  fields: { versionId: "version", what: "part of the song", percent: "tempo reached", clean: "clean rounds" },
  since: 17,
});

/** What the leader thinks of a song for this band: `later` needs something first. */
export const VERDICTS = ["open", "fits", "later", "not for us"] as const;
export type Verdict = (typeof VERDICTS)[number];

/** The leader's own verdict of a song, with its occasion and reasons. */
const verdict = defineTable({
  row: z.object({ id: idSchema, verdict: z.enum(VERDICTS), occasion: text(200), reasons: text(1000) }),
  called: "verdict",
  since: 17,
});

/** The one row the verdict of a song is kept in. */
export const VERDICT_ID = "verdict";

export const practiceTables = { practices: practice, verdicts: verdict };
export type Practice = RowOf<typeof practice>;
