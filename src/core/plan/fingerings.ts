import { z } from "zod";
import { fingerings as findFingerings, sayFingering } from "../fretboard";
import { engine, fields, readChord } from "./engine";
import { handFields, readHand } from "./hand";

const input = z.object({
  ...handFields,
  symbol: fields.symbol,
  hands: fields.flag.default(false),
  limit: fields.whole("a number", 0, 1_000_000).optional(),
});

export const fingerings = engine(
  "fingerings",
  "Every fingering of a chord that the rules of the hand allow, easiest first.",
  input,
  ({ symbol, hands, limit, ...rest }) => {
    const chord = readChord(symbol, ["symbol"]);
    const options = readHand(rest);
    const found = findFingerings(chord, { ...options, hands, limit, budget: rest.budget });
    return {
      ...found,
      fingerings: found.fingerings.map((one) => ({ ...one, instruction: sayFingering(one, options.tuning) })),
    };
  },
);
