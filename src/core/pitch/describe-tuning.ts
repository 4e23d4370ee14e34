import { type Semitones, unwrap } from "../../base";
import { describeSemitones } from "./describe-semitones";
import { realSigns } from "./real-signs";
import { formatTuning, parseTuning, type Tuning, tuningShift } from "./tuning";
import { NAMED_TUNINGS } from "./tuning-moves";

/** "a semitone down", "a whole tone up", "3 semitones down". @param by semitones, not 0 */
function describeShift(by: Semitones): string {
  const size = Math.abs(by);
  const words = size === 1 ? "a semitone" : size === 2 ? "a whole tone" : describeSemitones(size);
  return `${words} ${by < 0 ? "down" : "up"}`;
}

const NAMED = NAMED_TUNINGS.map(({ name, strings }) => ({ name, open: unwrap(parseTuning(strings)) }));

/** As far as strings are ever tuned from a tuning with a name. */
const FARTHEST = 5;

/**
 * What people call a tuning; null for the usual one of so many strings, and for none at all.
 * @example describeTuning(E♭ A♭ D♭ G♭ B♭ E♭) // => "a semitone down"
 * @example describeTuning(D A D G B E) // => "Drop D"
 * @example describeTuning(D♭ A♭ D♭ G♭ B♭ E♭) // => "Drop D, a semitone down"
 */
export function describeTuning(tuning: Tuning): string | null {
  if (tuning.length === 0) return null;
  const shift = tuningShift(tuning);
  if (shift !== 0) return describeShift(shift);
  for (let size = 0; size <= FARTHEST; size++)
    for (const by of size === 0 ? [0] : [-size, size]) {
      const found = NAMED.find(({ open }) => isMoved(tuning, open, by));
      if (found)
        return found.name === "Standard" ? null : `${found.name}${by === 0 ? "" : `, ${describeShift(by)}`}`;
    }
  return formatTuning(tuning)
    .map((pitch) => realSigns(pitch.replace(/-?\d+$/u, "")))
    .join(" ");
}

const isMoved = (tuning: Tuning, open: Tuning, by: Semitones): boolean =>
  open.length === tuning.length && open.every((midi, string) => tuning[string] === midi + by);
