/** A rhythm as it was tapped, on a grid of its own. */
export type TappedRhythm = {
  /** Parts of a beat. */
  readonly subdivision: 2 | 3 | 4;
  /** One token a part: "D" or "U" where it was tapped, as the hand swings there, "." elsewhere. */
  readonly pattern: string;
  /** Onsets there are in it. */
  readonly onsets: number;
};

/** A finer grid must lie so much nearer to the taps, beats (root mean square). Ours, no source. */
const FINER_BEATS = 0.035;
/** How far from the song's tempo somebody taps, and in what steps that is tried. Ours, no source. */
const SLOWEST = 0.85;
const QUICKEST = 1.18;
const PACE_STEP = 0.01;

/** How far taps lie from a grid on the whole, in beats (root mean square), at the pace that fits best. */
function fitOf(
  beats: readonly number[],
  subdivision: number,
): { readonly pace: number; readonly off: number } {
  let best = { pace: 1, off: Number.POSITIVE_INFINITY };
  for (let pace = SLOWEST; pace <= QUICKEST + 1e-9; pace += PACE_STEP) {
    const sum = beats.reduce((total, beat) => {
      const place = beat * pace * subdivision;
      return total + ((place - Math.round(place)) / subdivision) ** 2;
    }, 0);
    // Of equals the song's own tempo.
    const off = Math.sqrt(sum / beats.length) + Math.abs(pace - 1) * 0.05;
    if (off < best.off) best = { pace, off };
  }
  return best;
}

/**
 * Reads a rhythm from taps: the first stands on the first beat, each other on the nearest part of a beat. Who taps a little faster or
 * slower than the song is followed. Eighths before triplets before sixteenths, unless the finer ones lie clearly nearer.
 * @param taps ms of any clock, in order
 * @param beatMs a beat of the song
 * @param beats how long the rhythm is; what is tapped after that falls on its beginning again
 * @returns null without taps
 * @example rhythmOfTaps([0, 500, 750, 1500], 500, 4)!.pattern // => "D . D U . . D ."
 */
export function rhythmOfTaps(taps: readonly number[], beatMs: number, beats: number): TappedRhythm | null {
  const [first] = taps;
  if (first === undefined) return null;
  const places = taps.map((tap) => (tap - first) / beatMs);
  const fits = ([2, 3, 4] as const).map((subdivision) => ({ subdivision, ...fitOf(places, subdivision) }));
  const chosen = fits.reduce((best, one) => (one.off < best.off - FINER_BEATS ? one : best));
  const { subdivision, pace } = chosen;
  const length = Math.max(1, Math.round(beats * subdivision));
  const struck = new Set(places.map((beat) => Math.round(beat * pace * subdivision) % length));
  const isUp = (place: number) => (subdivision === 3 ? place % 3 === 1 : (place % subdivision) % 2 === 1);
  return {
    subdivision,
    pattern: Array.from({ length }, (_, place) => (struck.has(place) ? (isUp(place) ? "U" : "D") : ".")).join(
      " ",
    ),
    onsets: struck.size,
  };
}
