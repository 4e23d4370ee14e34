import { barRows } from "./bar-rows";
import type { Pattern, Stroke } from "./pattern";

/**
 * A bar in a few signs, for where a drawing has no room: strokes by arrows, picked strings by their
 * letters, dead ones ×, chokes |, what rings on ·. Accents stand with an exclamation mark, strokes over open strings
 * with a ring; a free pattern is a word.
 * @example strumSigns(pattern) // => "↓!·↓↑·↑↓↑"
 */
const strumSigns = (strokes: readonly Stroke[]): string => strokes.map(signOf).join("");

/**
 * The bars of a pattern in signs, equal ones told once; of a pattern of several bars with the bars they are.
 * @example signedBars(pattern) // => [{ bars: "1–3", signs: "↓·↓↑" }, { bars: "4", signs: "↓↑↓↑" }]
 */
export function signedBars(pattern: Pattern): { readonly bars: string; readonly signs: string }[] {
  if (pattern.free) return [{ bars: "", signs: "free" }];
  const rows = barRows(pattern);
  return rows.map(({ bar, times, strokes }) => ({
    bars: rows.length === 1 ? "" : times === 1 ? String(bar) : `${bar}–${bar + times - 1}`,
    signs: strumSigns(strokes),
  }));
}

function signOf(stroke: Stroke): string {
  const accent = "weight" in stroke && stroke.weight === 3 ? "!" : "";
  switch (stroke.kind) {
    case "down":
    case "up":
      return `${stroke.kind === "down" ? "↓" : "↑"}${stroke.open ? "°" : ""}${accent}`;
    case "dead":
      return "×";
    case "choke":
      return "|";
    case "ring":
      return "·";
    case "fingers":
      return `${stroke.fingers.join("")}${accent}`;
    case "zones":
      return `${stroke.zones.join("")}${accent}`;
  }
}
