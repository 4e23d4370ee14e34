import { parseChord } from "../../chord";
import type { SheetFingering } from "../sheet";

const MOST_STRINGS = 8;
const HIGHEST_FRET = 24;

/**
 * Reads what `{define}` draws: "G base-fret 1 frets 3 2 0 0 0 3". Frets are counted from the base fret, 0 is the
 * open string, "x", "N" or -1 a string not played.
 * @example readDefine("Bm base-fret 2 frets x 1 3 3 2 1") // => { symbol: "Bm", frets: [null, 2, 4, 4, 3, 2] }
 */
export function readDefine(value: string): SheetFingering | null {
  const match =
    /^\[?([^\s\]]{1,32})\]?\s+(?:.*?\bbase-fret\s+(\d{1,2})\s+)?(?:.*?\b)?frets\s+((?:(?:-1|[xXN]|\d{1,2})\s*)+)/u.exec(
      value.slice(0, 400),
    );
  if (!match || !parseChord(match[1]!).ok) return null;
  const base = Number(match[2] ?? 1);
  const frets = match[3]!
    .trim()
    .split(/\s+/u)
    .map((fret) => {
      const number = Number(fret);
      if (!Number.isInteger(number) || number < 0) return null;
      return number === 0 ? 0 : number + Math.max(1, base) - 1;
    });
  const fits = frets.length <= MOST_STRINGS && frets.every((fret) => fret === null || fret <= HIGHEST_FRET);
  return fits ? { symbol: match[1]!, frets } : null;
}

/**
 * Writes a shape as a directive that any reader of ChordPro draws.
 * @example writeDefine({ symbol: "Bm", frets: [null, 2, 4, 4, 3, 2] }) // => "{define: Bm base-fret 1 frets x 2 4 4 3 2}"
 */
export function writeDefine({ symbol, frets }: SheetFingering): string {
  const fretted = frets.filter((fret) => fret !== null && fret > 0) as number[];
  const base = fretted.length > 0 && Math.max(...fretted) > 4 ? Math.min(...fretted) : 1;
  const shown = frets.map((fret) => (fret === null ? "x" : fret === 0 ? "0" : String(fret - base + 1)));
  return `{define: ${symbol} base-fret ${base} frets ${shown.join(" ")}}`;
}
