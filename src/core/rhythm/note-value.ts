/** Note values as text, and the part of a whole note that each is. */
const NOTE_VALUE = /^1\/(1|2|4|8|16|32|64)(\.{1,2}|t)?$/u;

const TIMES: Readonly<Record<string, number>> = Object.freeze({ "": 1, ".": 1.5, "..": 1.75, t: 2 / 3 });

/**
 * The part of a whole note: plain, dotted ("1/8."), double dotted or a triplet's ("1/8t").
 * @returns null when the text names no note value
 * @example wholeNotesOf("1/8.") // => 0.1875
 */
export function wholeNotesOf(text: string): number | null {
  const match = NOTE_VALUE.exec(text);
  return match ? TIMES[match[2] ?? ""]! / Number(match[1]) : null;
}

/** A note value in words. @example describeNote("1/8.") // => "dotted 1/8" */
export function describeNote(text: string): string {
  if (text.endsWith("t")) return `${text.slice(0, -1)} triplet`;
  return text.endsWith(".") ? `dotted ${text.replace(/\.+$/u, "")}` : text;
}
