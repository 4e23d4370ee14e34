import { z } from "zod";
import { defineTable, idSchema, type RowOf } from "../../../document";
import { beatUnit, bpm, capoSchema, keySchema, meterBeats, meterUnit, order, text } from "./row-fields";
import { tellSymbol } from "./telling";

export const SOURCE_KINDS = ["sheet", "file", "ear", "take", "lesson", "other"] as const;

const version = defineTable({
  row: z.object({
    id: idSchema,
    name: text(80),
    /** The key the chords are written in. */
    writtenKey: keySchema,
    /** The key the version is performed in. */
    key: keySchema,
    keySure: z.boolean(),
    bpm,
    beatUnit,
    meterBeats,
    meterUnit,
    /** The capo the written chords are shapes behind; 0 when they sound as written. */
    writtenCapo: capoSchema,
  }),
  called: "setting",
  alone: true,
  fields: {
    writtenKey: "written key",
    key: "key",
    keySure: "key is sure",
    bpm: "tempo",
    meterBeats: "beats in a bar",
    meterUnit: "beat value",
    writtenCapo: "written capo",
  },
  named: ["name"],
  tell: { key: tellSymbol, writtenKey: tellSymbol },
  added: { 2: { writtenCapo: 0 } },
  compared: {
    key: "Key",
    bpm: "Tempo",
    beatUnit: "Tempo",
    meterBeats: "Metre",
    meterUnit: "Metre",
  },
});

/** Where chords come from. One with a text of its own can be laid against the version in the evidence chart. */
const source = defineTable({
  row: z.object({
    id: idSchema,
    order,
    name: text(120),
    kind: z.enum(SOURCE_KINDS),
    text: text(60_000),
  }),
  called: "source",
  fields: {
    order: "place in the list",
  },
  named: ["name", "text"],
  added: { 2: { kind: "sheet", text: "" } },
});

export const versionTables = { version, sources: source };

export type VersionRow = RowOf<typeof version>;
export type Source = RowOf<typeof source>;
export type SourceKind = Source["kind"];
