import type { SectionKind } from "../../song/schema";
import { kindOfLabel } from "../chord-text/heading";
import { type SheetText, sheetText } from "../chord-text/sheet-text";
import type { ProLine } from "./lines";

/** Environments whose lines are no words and chords: they are kept as they stand. */
export const VERBATIM: ReadonlySet<string> = new Set(["tab", "abc", "ly", "svg", "textblock", "strum"]);

const KIND_OF_NAME: Readonly<Record<string, SectionKind>> = Object.freeze({
  verse: "verse",
  chorus: "chorus",
  bridge: "bridge",
  grid: "instrumental",
  prechorus: "pre-chorus",
  part: "other",
});

const LABEL_OF_NAME: Readonly<Record<string, string>> = Object.freeze({
  verse: "Verse",
  chorus: "Chorus",
  bridge: "Bridge",
  grid: "Grid",
  prechorus: "Pre-Chorus",
});

/** What a section is, by the name of its environment and then by its label. */
export function kindOfEnvironment(name: string, label: string): SectionKind {
  const known = KIND_OF_NAME[name];
  if (known) return known;
  const byName = kindOfLabel(name.replaceAll("_", " "));
  return byName === "other" ? kindOfLabel(label) : byName;
}

/** What a section is called where its environment gives no label. @example labelOfEnvironment("prechorus") // => "Pre-Chorus" */
export const labelOfEnvironment = (name: string): string => LABEL_OF_NAME[name] ?? name.replaceAll("_", " ");

/** The lines of words and chords, without those that are kept as they stand. */
export function sungLines(lines: readonly ProLine[]): SheetText[] {
  const found: SheetText[] = [];
  let block: string | null = null;
  for (const line of lines) {
    if (line.kind === "song" && block === null) found.push(sheetText(line.text));
    if (line.kind !== "directive") continue;
    const [, edge, name = ""] = /^(start|end)_of_(.+)$/u.exec(line.name) ?? [];
    if (edge === "start" && block === null && VERBATIM.has(name)) block = name;
    else if (edge === "end" && name === block) block = null;
  }
  return found;
}
