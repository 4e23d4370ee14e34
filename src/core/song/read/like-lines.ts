import type { OutlineSection } from "./outline";

/** A line by its section's place in the song and its own in the section. */
export type LinePlace = { readonly section: number; readonly line: number };

type Sections = readonly Pick<OutlineSection, "section" | "lines">[];

/**
 * Lines below a line whose beats are likely the same: with the same chords in a row, or with as many chords in the same
 * section or one of its kind. Sections of kind "other" are alike in nothing.
 * @example under the first line "G D" of a verse: the verse's "C D", and "G D" in the chorus
 */
export function linesLike(sections: Sections, { section, line }: LinePlace): LinePlace[] {
  const home = sections[section];
  const own = home?.lines[line];
  if (!home || !own || own.chords.length === 0) return [];
  const chords = chordsOf(own);
  return sections.flatMap((other, at) => {
    const isKin =
      at === section || (other.section.kind === home.section.kind && home.section.kind !== "other");
    return other.lines.flatMap((one, place): LinePlace[] => {
      const isBelow = at > section || (at === section && place > line);
      const isLike = isKin ? one.chords.length === own.chords.length : chordsOf(one) === chords;
      return isBelow && isLike ? [{ section: at, line: place }] : [];
    });
  });
}

/** Beats of a line's chords, and where they go. */
export type PlacedRow = { readonly place: LinePlace; readonly beats: readonly number[] };

/**
 * Where typed rows go: the first over a line, each other over the next below it in its section that has chords; and the first
 * over the lines like it too, where that is asked.
 */
export function placeRows(
  sections: Sections,
  place: LinePlace,
  rows: readonly (readonly number[])[],
  alsoAlike: boolean,
): PlacedRow[] {
  const { section } = place;
  const played = (sections[section]?.lines ?? []).flatMap(({ chords }, line) =>
    line >= place.line && chords.length > 0 ? [line] : [],
  );
  const own = rows.map((beats, at) => ({ place: { section, line: played[at]! }, beats }));
  const like = alsoAlike ? linesLike(sections, place) : [];
  return [...own, ...like.map((at) => ({ place: at, beats: rows[0]! }))];
}

const chordsOf = ({ chords }: OutlineSection["lines"][number]): string =>
  chords.map(({ chord }) => chord.symbol).join(" ");
