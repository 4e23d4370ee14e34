import type { NoteStroke, TabNote } from "@/core/fretboard";

/** A note's stroke and weight in signs, for below the strings: "↓", "↑!", ">" for an accent with no stroke said. */
export const strokeSign = ({ weight }: Pick<TabNote, "weight">, stroke: NoteStroke | null): string => {
  const arrow = stroke === null ? "" : stroke === "down" ? "↓" : "↑";
  if (weight === 3) return arrow === "" ? "!" : `${arrow}!`;
  return weight === 1 ? `${arrow},` : arrow;
};

/** The same for who hears it read: "accented, down". */
export const strokeWords = ({ weight }: Pick<TabNote, "weight">, stroke: NoteStroke | null): string =>
  [weight === 3 ? "accented" : weight === 1 ? "light" : "", stroke ?? ""]
    .filter((word) => word !== "")
    .join(" ");
