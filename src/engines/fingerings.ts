import { z } from "zod";
import { ok } from "@/base";
import type { Chord } from "@/core/chord";
import { describeFingering, type FingeringOptions, fingerings as findFingerings } from "@/core/fretboard";
import { engine } from "./engine";
import { fields, readChord } from "./fields";
import { handFields, readHand } from "./hand";

const input = z.object({
  ...handFields,
  symbol: fields.symbol,
  hands: fields.flag.default(false),
  limit: fields.whole("a number", 0, 1_000_000).optional(),
});

export type FingeringsQuestion = { readonly chord: Chord; readonly options: FingeringOptions };

export const fingerings = engine({
  name: "fingerings",
  summary: "Every fingering of a chord that the rules of the hand allow, easiest first.",
  steps: { http: 3_000_000, window: 30_000_000 },
  input,
  read: ({ symbol, hands, limit, ...hand }): FingeringsQuestion => ({
    chord: readChord(symbol, ["symbol"]),
    options: { ...readHand(hand), hands, limit },
  }),
  compute: ({ chord, options }, { budget }) => ok(findFingerings(chord, { ...options, budget })),
  tell: (found, _input, { options }) => ({
    ...found,
    fingerings: found.fingerings.map((one) => ({
      ...one,
      instruction: describeFingering(one, options.tuning),
    })),
  }),
});
