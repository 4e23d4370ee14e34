import { describeList, type Style } from "@/core/fretboard";

export const STYLE_WORDS: Readonly<Record<Style, string>> = Object.freeze({
  full: "full chords",
  power: "power chords",
  octave: "octaves",
  triad: "three-string shapes",
  "two-string": "two strings only",
  shell: "shells: root, third, seventh",
  single: "single notes on the changes",
  bass: "bass notes",
});

/** How many strings lie between the two of an octave or sixth, and of a tenth. */
const BETWEEN = [1, 2];

/** Sets of two to four neighbouring strings, and of two with one or two between them, as a choice, by the names of all. The value is the strings' numbers, "" for all. */
export function stringSets(names: readonly string[]): { value: string; label: string }[] {
  const sets = [2, 3, 4].flatMap((size) =>
    names.slice(size - 1).map((_, from) => names.map((__, at) => at).slice(from, from + size)),
  );
  const apart = BETWEEN.flatMap((between) =>
    names.slice(between + 1).map((_, from) => [from, from + between + 1]),
  );
  return [
    { value: "", label: "all strings" },
    ...[...sets, ...apart]
      .filter((set) => set.length < names.length)
      .map((set) => ({ value: set.join(), label: `${describeList(set.map((at) => names[at]!))} only` })),
  ];
}
