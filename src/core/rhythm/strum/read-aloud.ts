import { FREE_WORDS, type Pattern, type Stroke } from "./pattern";

const FINGER_WORDS = Object.freeze({ p: "thumb", i: "index", m: "middle", a: "ring" });
const ZONE_WORDS = Object.freeze({ L: "low", M: "middle", H: "high" });
const WEIGHT_WORDS = Object.freeze({ 1: "light ", 2: "", 3: "accented " });

function wordOf(stroke: Stroke): string {
  switch (stroke.kind) {
    case "fingers":
      return stroke.fingers.map((finger) => FINGER_WORDS[finger]).join(" and ");
    case "zones":
      return stroke.zones.map((zone) => ZONE_WORDS[zone]).join(" and ");
    case "ring":
      return "rest";
    case "down":
    case "up":
      return stroke.open ? `${stroke.kind} over open strings` : stroke.kind;
    default:
      return stroke.kind;
  }
}

/** A stroke with how hard it is. */
export const strokeAloud = (stroke: Stroke): string =>
  ("weight" in stroke ? WEIGHT_WORDS[stroke.weight] : "") + wordOf(stroke);

/**
 * A pattern for who hears it read, with its accents: runs of rests are one.
 * @example readAloud(pattern) // => "down, rest, accented down, up"
 */
export function readAloud({ strokes, free }: Pick<Pattern, "strokes" | "free">): string {
  if (free) return FREE_WORDS;
  const said: string[] = [];
  for (const stroke of strokes) {
    const word = strokeAloud(stroke);
    if (word !== "rest" || said.at(-1) !== "rest") said.push(word);
  }
  return said.join(", ");
}
