import type { Tellers } from "../../../document";
import { tellChordsBy } from "../schema/telling";
import type { Namer } from "./namer";

/** How chords and keys of a version are told in what has happened to it, as a reader calls them. */
export function tellersBy(namer: Namer): Tellers {
  const key = (one: unknown) => namer.keyNamed(String(one));
  const chord = (one: unknown) => namer.chord(String(one));
  const sounding = (one: unknown) => namer.readSounding(String(one));
  return {
    version: { key, writtenKey: key },
    chords: { symbol: chord },
    loopLayers: { chords: tellChordsBy((symbol) => namer.chord(symbol)) },
    choices: { symbol: sounding },
    riffs: { home: sounding },
  };
}
