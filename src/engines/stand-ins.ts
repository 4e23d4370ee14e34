import { z } from "zod";
import { ok } from "@/base";
import type { Chord } from "@/core/chord";
import { type FingeringOptions, standIns as findStandIns } from "@/core/fretboard";
import type { Key } from "@/core/pitch";
import { engine } from "./engine";
import { fields, readChord, readKey } from "./fields";
import { handFields, readHand } from "./hand";

const input = z.object({
  ...handFields,
  symbol: fields.symbol,
  key: fields.key,
  level: fields.level.default("beginner"),
});

export type StandInsQuestion = {
  readonly chord: Chord;
  readonly key: Key;
  readonly options: FingeringOptions;
};

export const standIns = engine({
  name: "stand-ins",
  summary: "Easier shapes to offer for a chord, each called by the chord it really is.",
  steps: null,
  input,
  read: ({ symbol, key, allow: _allow, ...hand }): StandInsQuestion => ({
    chord: readChord(symbol, ["symbol"]),
    key: readKey(key, ["key"]),
    options: readHand({ ...hand, allow: [] }),
  }),
  compute: ({ chord, key, options }) => ok(findStandIns(chord, key, options)),
  tell: (found) => ({ standIns: found }),
});
