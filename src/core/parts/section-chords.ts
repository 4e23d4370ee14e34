import { parseChord } from "../chord";
import type { ChordUnder } from "../fretboard";
import { type Key, scaleClasses, scaleOfKey } from "../pitch";
import { Namer, PLAIN_READER } from "../song/names";
import type { VersionBody } from "../song/schema";
import type { SheetRow } from "./band";

/** A chord of a section as it sounds, from where the section begins. */
export type SectionChord = ChordUnder & { readonly id: string; readonly symbol: string };

/** The chords of a use in time; what can't be read is left out. */
export function chordsOfRow(body: Pick<VersionBody, "version">, row: SheetRow): SectionChord[] {
  const namer = new Namer(body, PLAIN_READER, row.passage.shift);
  return row.passage.lines.flatMap((line) =>
    line.outline.chords.flatMap(({ chord }, at): SectionChord[] => {
      const { sounding } = namer.name(chord.symbol);
      const read = parseChord(sounding);
      const event = line.events[at]!;
      if (!read.ok || event.ticks <= 0) return [];
      const tick = Math.max(0, event.tick - row.passage.tick);
      return [{ id: chord.id, symbol: sounding, chord: read.value, tick, ticks: event.ticks }];
    }),
  );
}

/** The key a use sounds in, and the pitch classes of its scale. */
export function scaleOfRow(
  body: Pick<VersionBody, "version">,
  row: SheetRow,
): { readonly key: Key; readonly scale: ReadonlySet<number> } {
  const { key } = new Namer(body, PLAIN_READER, row.passage.shift);
  return { key, scale: new Set(scaleClasses(key.tonic, scaleOfKey(key))) };
}
