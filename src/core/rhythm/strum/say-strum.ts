import type { Pattern, Stroke } from "./pattern";
import { STROKE_WORDS, type StrumLanguage } from "./stroke-words";

/** What is said of picked strokes and of a choke, in English: of these no other language has words here. */
const FINGER_WORDS = Object.freeze({ p: "thumb", i: "index", m: "middle", a: "ring" });
const ZONE_WORDS = Object.freeze({ L: "low", M: "middle", H: "high" });
const WEIGHT_WORDS = Object.freeze({ 1: "light ", 2: "", 3: "strong " });

/**
 * A strum as it is said, every place of it, so that it is read back as the same.
 * @example sayStrum(pattern, "en") // => "down, rest, down, up, rest, up, down, up"
 */
export const sayStrum = ({ strokes }: Pick<Pattern, "strokes">, language: StrumLanguage): string =>
  strokes.map((stroke) => sayStroke(stroke, language)).join(", ");

function sayStroke(stroke: Stroke, language: StrumLanguage): string {
  const words = STROKE_WORDS[language];
  switch (stroke.kind) {
    case "down":
    case "up":
    case "dead":
      return words[stroke.kind][0]!;
    case "ring":
    case "choke":
      return words.rest[0]!;
    case "fingers":
      return stroke.fingers.map((finger) => FINGER_WORDS[finger]).join(" and ");
    case "zones":
      return stroke.zones.map((zone) => ZONE_WORDS[zone]).join(" and ");
  }
}

/**
 * A pattern for who hears it read, with its accents: runs of rests are one.
 * @example readAloud(pattern) // => "down, rest, strong down, up"
 */
export function readAloud({ strokes }: Pick<Pattern, "strokes">): string {
  const said: string[] = [];
  for (const stroke of strokes) {
    if (stroke.kind === "ring") {
      if (said.at(-1) !== "rest") said.push("rest");
      continue;
    }
    const weight = "weight" in stroke ? WEIGHT_WORDS[stroke.weight] : "";
    said.push(
      stroke.kind === "choke" ? "choke" : stroke.kind === "dead" ? "dead" : weight + sayStroke(stroke, "en"),
    );
  }
  return said.join(", ");
}
