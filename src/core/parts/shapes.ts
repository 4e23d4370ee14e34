import type { Chord } from "../chord";
import { type Finger, type Fingering, type FingeringOptions, type Frets, fingerings } from "../fretboard";
import { findChoice, type Player, type ShapeSpot, tuningOf, type VersionBody } from "../song";

/** A shape as it is shown: what to hold, and whether somebody chose it. */
export type Shape = {
  readonly frets: Frets;
  readonly fingers: readonly (Finger | null)[];
  readonly chosen: boolean;
};

export type ShapeRequest = {
  readonly symbol: string;
  readonly tuning: readonly string[];
  readonly capo: number;
  readonly level: Player["level"];
  readonly style: "full" | "bass";
};

/** Fingering options of a request. */
export const optionsOf = (request: ShapeRequest): FingeringOptions => ({
  tuning: tuningOf({ tuning: [...request.tuning] }),
  capo: request.capo,
  level: request.level,
  style: request.style,
});

export const requestKey = (request: ShapeRequest): string =>
  [request.symbol, request.tuning.join(","), request.capo, request.level, request.style].join(" ");

/** Finds the easiest fingering of each request, searching once for each. */
export function easiestFingerings(): (request: ShapeRequest & { readonly chord: Chord }) => Fingering | null {
  const known = new Map<string, Fingering | null>();
  return (request) => {
    const key = requestKey(request);
    const found = known.get(key);
    if (found !== undefined) return found;
    const easiest = fingerings(request.chord, { ...optionsOf(request), limit: 1 }).fingerings[0] ?? null;
    known.set(key, easiest);
    return easiest;
  };
}

/** The shape at a spot: the one chosen there if it fits, else the easiest. */
export function shapeAt(
  body: Pick<VersionBody, "choices">,
  spot: ShapeSpot,
  easiest: () => Fingering | null,
): { shape: Shape | null; unfit: boolean } {
  const { choice, unfit } = findChoice(body, spot);
  if (choice)
    return { shape: { frets: choice.frets, fingers: choice.fingers, chosen: true }, unfit: unfit !== null };
  const found = easiest();
  return {
    shape: found && { frets: found.frets, fingers: found.fingers, chosen: false },
    unfit: unfit !== null,
  };
}
