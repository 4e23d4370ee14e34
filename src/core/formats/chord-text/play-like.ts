import type { Draft } from "../draft";
import type { SheetLine } from "../sheet";

/**
 * Gives headings without lines the chords of another section, unsung: "Solo", played like the verse.
 * @param open lines of whose beats nothing is written; those that are copied join them
 * @param like by the heading's line: the label of the section it plays like
 */
export function playLike(
  drafts: readonly Draft[],
  open: Set<SheetLine>,
  like: Readonly<Record<number, string>> = {},
): void {
  for (const draft of drafts) {
    const label = draft.heading === undefined ? undefined : like[draft.heading];
    if (label === undefined || draft.lines.length > 0) continue;
    const home = drafts.find((one) => one.label === label && one.lines.length > 0);
    for (const line of home?.lines ?? []) {
      if (line.chords.length === 0) continue;
      const copied: SheetLine = { words: "", chords: line.chords.map((chord) => ({ ...chord, at: 0 })) };
      draft.lines.push(copied);
      if (open.has(line)) open.add(copied);
    }
  }
}
