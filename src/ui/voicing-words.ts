import { describeList, type Style } from "@/core/fretboard";
import { parseTuning, stringNames } from "@/core/pitch";

export const STYLE_WORDS: Readonly<Record<Style, string>> = Object.freeze({
  full: "full chords",
  power: "power chords",
  octave: "octaves",
  triad: "three-string shapes",
  "two-string": "two strings only",
  shell: "shells: root, third, seventh",
  bass: "bass notes",
});

/** Names of a tuning's strings, or their numbers where it can't be read. */
export function namesOfStrings(tuning: readonly string[]): string[] {
  const parsed = parseTuning(tuning);
  return parsed.ok ? stringNames(parsed.value) : tuning.map((_, string) => String(string + 1));
}

/** Sets of two to four neighbouring strings, as a choice. The value is the strings' numbers, "" for all. */
export function stringSets(tuning: readonly string[]): { value: string; label: string }[] {
  const names = namesOfStrings(tuning);
  const sets = [2, 3, 4].flatMap((size) =>
    names.slice(size - 1).map((_, from) => names.map((__, at) => at).slice(from, from + size)),
  );
  return [
    { value: "", label: "all strings" },
    ...sets
      .filter((set) => set.length < names.length)
      .map((set) => ({ value: set.join(), label: `${describeList(set.map((at) => names[at]!))} only` })),
  ];
}
