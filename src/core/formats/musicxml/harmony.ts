import { parseChord } from "../../chord";
import type { SheetFingering } from "../sheet";
import { childOf, childrenOf, type Element, numberOf, textOf } from "./xml";

/** Chord qualities by MusicXML's name for their kind (MusicXML 4.0, kind-value). */
const QUALITY_OF_KIND: Readonly<Record<string, string>> = Object.freeze({
  major: "",
  minor: "m",
  augmented: "aug",
  diminished: "dim",
  dominant: "7",
  "major-seventh": "maj7",
  "minor-seventh": "m7",
  "diminished-seventh": "dim7",
  "augmented-seventh": "aug7",
  "half-diminished": "m7b5",
  "major-minor": "m(maj7)",
  "major-sixth": "6",
  "minor-sixth": "m6",
  "dominant-ninth": "9",
  "major-ninth": "maj9",
  "minor-ninth": "m9",
  "dominant-11th": "11",
  "major-11th": "maj11",
  "minor-11th": "m11",
  "dominant-13th": "13",
  "major-13th": "maj13",
  "minor-13th": "m13",
  "suspended-second": "sus2",
  "suspended-fourth": "sus4",
  power: "5",
});

const note = (step: string, alter: number): string | null => {
  if (!/^[A-G]$/u.test(step)) return null;
  const mark = alter === 0 ? "" : alter > 0 ? "#".repeat(Math.min(2, alter)) : alter < -1 ? "♭♭" : "b";
  return step + mark;
};

/** The symbol of a `<harmony>`, or null when it names none we know. */
export function symbolOf(harmony: Element): string | null {
  const kind = childOf(harmony, "kind");
  if (kind?.text === "none") return "N.C.";
  const root = childOf(harmony, "root");
  const name = note(textOf(root, "root-step"), numberOf(root, "root-alter") ?? 0);
  const quality = QUALITY_OF_KIND[kind?.text ?? "major"];
  if (!name || quality === undefined) return null;
  const bass = childOf(harmony, "bass");
  const low = bass && note(textOf(bass, "bass-step"), numberOf(bass, "bass-alter") ?? 0);
  const degrees = childrenOf(harmony, "degree").map(degreeText).join("");
  const symbol = `${name}${quality}${degrees}${low ? `/${low}` : ""}`;
  return parseChord(symbol).ok ? symbol : null;
}

function degreeText(degree: Element): string {
  const value = numberOf(degree, "degree-value") ?? 0;
  const alter = numberOf(degree, "degree-alter") ?? 0;
  const type = textOf(degree, "degree-type");
  const mark = alter > 0 ? "#" : alter < 0 ? "b" : "";
  if (type === "subtract") return `(no${value})`;
  if (type === "alter" || mark !== "") return `(${mark}${value})`;
  return `(add${value})`;
}

/** The shape a `<frame>` draws: strings are counted from the highest, frets from the frame's first. */
export function frameOf(harmony: Element, symbol: string): SheetFingering | null {
  const frame = childOf(harmony, "frame");
  const strings = numberOf(frame, "frame-strings");
  if (!frame || strings === null || !Number.isInteger(strings) || strings < 3 || strings > 8) return null;
  const frets: (number | null)[] = Array(strings).fill(null);
  for (const one of childrenOf(frame, "frame-note")) {
    const string = numberOf(one, "string");
    const fret = numberOf(one, "fret");
    if (string === null || fret === null || string < 1 || string > strings || fret < 0 || fret > 24) continue;
    frets[strings - string] = fret;
  }
  return { symbol, frets };
}
