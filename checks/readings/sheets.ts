import { readFileSync } from "node:fs";
import path from "node:path";

/** A made-up sheet with the beats its writer hears: chords stand in its words as `[G/4]`, four beats of G. */
export type KnownSheet = {
  readonly number: number;
  readonly school: string;
  readonly meter: { readonly beats: number; readonly unit: number };
  readonly sections: readonly { readonly label: string; readonly lines: readonly KnownLine[] }[];
};
type KnownLine = {
  readonly words: string;
  readonly chords: readonly { readonly symbol: string; readonly at: number; readonly beats: number }[];
};

/** The sheets of `sheets.txt`, in their order. */
export function knownSheets(): KnownSheet[] {
  const text = readFileSync(path.resolve("checks", "readings", "sheets.txt"), "utf8");
  return text
    .split(/^# /mu)
    .slice(1)
    .map((part): KnownSheet => {
      const [head = "", ...lines] = part.trim().split("\n");
      const [, number, school, beats, unit] = /^(\d+) (\S+) (\d+)\/(\d+)$/u.exec(head)!;
      const sections: { label: string; lines: KnownLine[] }[] = [];
      for (const line of lines) {
        const label = /^\[([^/\]]+)\]$/u.exec(line)?.[1];
        if (label) sections.push({ label, lines: [] });
        else if (line.trim() !== "") sections.at(-1)!.lines.push(knownLine(line));
      }
      return {
        number: Number(number),
        school: school!,
        meter: { beats: Number(beats), unit: Number(unit) },
        sections,
      };
    });
}

function knownLine(line: string): KnownLine {
  const chords: { symbol: string; at: number; beats: number }[] = [];
  let words = "";
  let from = 0;
  for (const match of line.matchAll(/\[([^/\]]+)\/(\d+)\]/gu)) {
    words += line.slice(from, match.index);
    chords.push({ symbol: match[1]!, at: words.length, beats: Number(match[2]) });
    from = match.index + match[0].length;
  }
  return { words: words + line.slice(from), chords };
}

/** The same sheet as people write it, without its beats. */
export const textOf = ({ meter, sections }: KnownSheet): string =>
  [
    `Time: ${meter.beats}/${meter.unit}`,
    "",
    ...sections.flatMap(({ label, lines }) => [
      `[${label}]`,
      ...lines.map(({ words, chords }) => {
        let text = "";
        let from = 0;
        for (const { symbol, at } of chords) {
          text += `${words.slice(from, at)}[${symbol}]`;
          from = at;
        }
        return text + words.slice(from);
      }),
      "",
    ]),
  ].join("\n");
