import { heardPitch, stoppedPitch, type TabNote } from "../../fretboard";
import { neckOfRiff } from "../read";
import type { Riff } from "../schema/parts";
import type { Namer } from "./namer";

/** What a line's strings and notes are called: a bent note by where it arrives, if that is a pitch. */
export function lineNames(riff: Riff, namer: Namer) {
  const neck = neckOfRiff(riff);
  return {
    strings: namer.strings(neck.tuning),
    nameOf: (note: TabNote): string => {
      const [heard, stopped] = [heardPitch(note, neck), stoppedPitch(note, neck)];
      const pitch = heard !== null && Number.isInteger(heard) ? heard : stopped;
      return pitch === null ? "?" : namer.pitch(pitch);
    },
  };
}
