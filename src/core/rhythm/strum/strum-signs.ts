import { barRows } from "./bar-rows";
import type { Pattern, Stroke } from "./pattern";

/**
 * The first bar of a pattern in a few signs, for where a drawing has no room: strokes by arrows, picked strings by their
 * letters, dead ones ×, chokes |, what rings on ·. Accents stand with an exclamation mark.
 * @example strumSigns(pattern) // => "↓!·↓↑·↑↓↑"
 */
export const strumSigns = (pattern: Pattern): string =>
  (barRows(pattern)[0]?.strokes ?? []).map(signOf).join("");

function signOf(stroke: Stroke): string {
  const accent = "weight" in stroke && stroke.weight === 3 ? "!" : "";
  switch (stroke.kind) {
    case "down":
      return `↓${accent}`;
    case "up":
      return `↑${accent}`;
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
