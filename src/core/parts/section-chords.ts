import { type Key, scaleClasses, scaleOfKey } from "../pitch";
import { Namer, PLAIN_READER } from "../song/names";
import type { VersionBody } from "../song/schema";
import { chordsOfPassage, type SectionChord, type SheetRow } from "./band";

/** The chords of a use in time; what can't be read is left out. */
export const chordsOfRow = (body: Pick<VersionBody, "version">, row: SheetRow): SectionChord[] =>
  chordsOfPassage(body, row.passage);

/** The key a use sounds in, and the pitch classes of its scale. */
export function scaleOfRow(
  body: Pick<VersionBody, "version">,
  row: SheetRow,
): { readonly key: Key; readonly scale: ReadonlySet<number> } {
  const { key } = new Namer(body, PLAIN_READER, row.passage.shift);
  return { key, scale: new Set(scaleClasses(key.tonic, scaleOfKey(key))) };
}
