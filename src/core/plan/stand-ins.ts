import { z } from "zod";
import { standIns as findStandIns } from "../fretboard";
import { engine, fields, readChord, readKey } from "./engine";
import { handFields, readHand } from "./hand";

const input = z.object({
  ...handFields,
  symbol: fields.symbol,
  key: fields.key,
  level: fields.level.default("beginner"),
});

export const standIns = engine(
  "stand-ins",
  "Easier shapes to offer for a chord, each called by the chord it really is.",
  input,
  ({ symbol, key, allow: _allow, ...rest }) => {
    const chord = readChord(symbol, ["symbol"]);
    return { standIns: findStandIns(chord, readKey(key, ["key"]), readHand({ ...rest, allow: [] })) };
  },
);
