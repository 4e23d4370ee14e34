import { type Adjustments, type ChordSheet, placeRead, versionOfSheet } from "@/core/formats";
import { likeSections } from "@/core/song/edit";
import { outlineOf, type PlacedRow, sectionSums, timelineOf, versionRow } from "@/core/song/read";

/** The song a sheet would become. */
export function previewOf(sheet: ChordSheet) {
  let count = 0;
  const body = versionOfSheet(sheet, { name: "", kind: "sheet" }, () => `p${count++}`);
  const outline = outlineOf(body);
  const version = versionRow(body);
  const { bars, seconds } = timelineOf(body, outline);
  // The preview shows the chords as they are written, whatever capo the sheet names.
  const written = { ...version, key: version.writtenKey };
  const shared = likeSections(body);
  return { version, written, outline, sums: sectionSums(body, outline), bars, seconds, shared };
}

export type Preview = ReturnType<typeof previewOf>;

/** The adjustments' beats with those of some more lines; what was set of the same lines before goes. */
export function withRows(
  read: ChordSheet,
  adjustments: Adjustments,
  rows: readonly PlacedRow[],
): NonNullable<Adjustments["beats"]> {
  const fresh = rows.flatMap(({ place, beats }) => {
    const at = placeRead(read, adjustments, place);
    return at ? [{ ...at, beats: [...beats] }] : [];
  });
  const kept = (adjustments.beats ?? []).filter(
    (one) => !fresh.some(({ section, line }) => section === one.section && line === one.line),
  );
  return [...kept, ...fresh];
}
