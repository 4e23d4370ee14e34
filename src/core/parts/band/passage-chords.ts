import { parseChord } from "../../chord";
import type { ChordUnder } from "../../fretboard";
import { Namer, PLAIN_READER } from "../../song/names";
import type { Passage } from "../../song/read";
import type { VersionBody } from "../../song/schema";

/** A chord of a section as it sounds, from where the section begins. */
export type SectionChord = ChordUnder & { readonly id: string; readonly symbol: string };

/** The chords of one time through a section, in time; what can't be read is left out. */
export function chordsOfPassage(body: Pick<VersionBody, "version">, passage: Passage): SectionChord[] {
  const namer = new Namer(body, PLAIN_READER, passage.shift);
  return passage.lines.flatMap((line) =>
    line.outline.chords.flatMap(({ chord }, at): SectionChord[] => {
      const { sounding } = namer.name(chord.symbol);
      const read = parseChord(sounding);
      const event = line.events[at]!;
      if (!read.ok || event.ticks <= 0) return [];
      const tick = Math.max(0, event.tick - passage.tick);
      return [{ id: chord.id, symbol: sounding, chord: read.value, tick, ticks: event.ticks }];
    }),
  );
}
