import type { PickFinger, Stroke, Zone } from "../rhythm";

/** A string that is struck, and the fret that sounds on it. */
export type StruckString = { readonly string: number; readonly fret: number };

const PLUCKED: readonly PickFinger[] = ["i", "m", "a"];
const ZONES: readonly Zone[] = ["L", "M", "H"];

/**
 * The strings a stroke strikes, in the order it strikes them: a downstroke from the one nearest the face, an upstroke the
 * other way. Fingers take one string each: the thumb the first that sounds, index, middle and ring the last three of the others;
 * a zone a third of the neck's width. Common practice, no source.
 * @param frets by string from the one nearest the face, from the capo; null is not struck
 * @example stringsOf({ kind: "up", weight: 2 }, [null, 0, 2, 2, 1, 0]).map(({ string }) => string) // => [5, 4, 3, 2, 1]
 */
export function stringsOf(stroke: Stroke, frets: readonly (number | null)[]): StruckString[] {
  const held = frets.flatMap((fret, string): StruckString[] => (fret === null ? [] : [{ string, fret }]));
  switch (stroke.kind) {
    case "down":
    case "up": {
      const struck = stroke.open ? held.map(({ string }) => ({ string, fret: 0 })) : held;
      return stroke.kind === "down" ? struck : struck.toReversed();
    }
    case "dead":
      return held;
    case "fingers": {
      const places = new Set(stroke.fingers.map((finger) => placeOf(finger, held.length)));
      return held.filter((_, place) => places.has(place));
    }
    case "zones":
      return held.filter(({ string }) =>
        stroke.zones.includes(ZONES[Math.floor((string * ZONES.length) / frets.length)]!),
      );
    default:
      return [];
  }
}

/** Where a finger plucks among the strings that sound; over few strings two fingers share one, so that no stroke is lost. */
function placeOf(finger: PickFinger, of: number): number {
  if (finger === "p") return 0;
  const place = of - PLUCKED.length + PLUCKED.indexOf(finger);
  return Math.min(of - 1, Math.max(1, place));
}
