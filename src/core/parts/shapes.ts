import { type Chord, parseChord } from "../chord";
import {
  BASS_SCALE_MM,
  type Finger,
  type Fingering,
  type FingeringOptions,
  type Frets,
  GUITAR_SCALE_MM,
  LAST_FRET,
  type Style,
} from "../fretboard";
import { findChoice, type ResolvedCell, type ShapeSpot, tuningOf } from "../song/read";
import type { Player, VersionBody } from "../song/schema";

/** A shape as it is shown: what to hold, and whether somebody chose it. */
export type Shape = {
  readonly frets: Frets;
  readonly fingers: readonly (Finger | null)[];
  readonly chosen: boolean;
};

/** A hand on a neck, and how it voices chords: plain values that a worker can be asked about. */
export type HandRequest = {
  readonly tuning: readonly string[];
  readonly capo: number;
  readonly level: Player["level"];
  readonly style: Style;
  readonly strings: readonly number[] | null;
  readonly thumb: boolean;
  readonly scaleMm: number;
  /** The fret shapes lie about, without open strings; null is wherever they are usual. */
  readonly fret: number | null;
  /** Whether one small shape is moved along the neck. */
  readonly moved: boolean;
};

export type ShapeRequest = HandRequest & {
  /** The sounding symbol. */
  readonly symbol: string;
};

export const scaleMmOf = (player: Pick<Player, "instrument" | "scaleMm">): number =>
  player.scaleMm ?? (player.instrument === "bass" ? BASS_SCALE_MM : GUITAR_SCALE_MM);

/** The hand of a player in a cell of the sheet. */
export function handOf(
  player: Player,
  cell: Pick<ResolvedCell, "capo" | "style" | "strings" | "fret" | "moved">,
): HandRequest {
  return {
    tuning: player.tuning,
    capo: cell.capo.value,
    level: player.level,
    style: cell.style.value,
    strings: cell.strings.value,
    thumb: player.thumb,
    scaleMm: scaleMmOf(player),
    fret: cell.fret.value,
    moved: cell.moved.value,
  };
}

/** How far from a wished fret shapes of a list may lie, and those of a part. */
const AROUND = 2;
const AROUND_IN_PLAN = 3;

const regionAbout = (fret: number, around: number) => ({
  minFret: Math.max(1, fret - around),
  maxFret: Math.min(LAST_FRET, fret + around),
  open: false,
});

/** The frets a part that keeps to a place on the neck reaches. */
export const reachAbout = (fret: number): { readonly minFret: number; readonly maxFret: number } =>
  regionAbout(fret, AROUND_IN_PLAN);

/** Fingering options of a hand. Strings the neck doesn't have are left out. */
export function optionsOf(hand: HandRequest): FingeringOptions {
  const strings = hand.strings?.filter((string) => string < hand.tuning.length);
  return {
    tuning: tuningOf({ tuning: [...hand.tuning] }),
    capo: hand.capo,
    level: hand.level,
    style: hand.style,
    thumb: hand.thumb,
    scaleMm: hand.scaleMm,
    ...(strings && strings.length > 0 ? { strings } : {}),
    // Two strings that somebody names are picked: a tenth on low E and G is no strum.
    ...(strings?.length === 2 ? { picked: true } : {}),
    // A small shape that is moved finds its place by itself, without open strings.
    ...(hand.moved ? { open: false } : hand.fret === null ? {} : regionAbout(hand.fret, AROUND_IN_PLAN)),
  };
}

/** Shapes a list offers at first, and so many more each time more are asked for. */
export const OFFERED = 24;

/** Which of a chord's shapes are wanted. */
export type ShapeWish = {
  /** About this fret, without open strings; null is anywhere. */
  readonly fret: number | null;
  /** On these strings; null is what the part says. */
  readonly strings: readonly number[] | null;
  readonly limit: number;
};

export const ANY_SHAPE: ShapeWish = Object.freeze({ fret: null, strings: null, limit: OFFERED });

/** What the engine of fingerings is asked for a shape; null where the symbol can't be read. */
export function shapeQuestion(
  request: ShapeRequest,
  wish: ShapeWish = ANY_SHAPE,
): { readonly chord: Chord; readonly options: FingeringOptions } | null {
  const chord = parseChord(request.symbol);
  if (!chord.ok) return null;
  const region = wish.fret === null ? {} : regionAbout(wish.fret, AROUND);
  const strings = wish.strings?.filter((string) => string < request.tuning.length) ?? [];
  const chosen =
    strings.length === 0
      ? {}
      : // Whoever names the strings leaves the bass to somebody else; two of them are no full chord.
        {
          strings,
          inversions: true,
          ...(strings.length === 2 ? { style: "two-string" as const, picked: true } : {}),
        };
  return {
    chord: chord.value,
    options: { ...optionsOf(request), ...region, ...chosen, limit: wish.limit },
  };
}

export const handKey = (hand: HandRequest): string =>
  [
    hand.tuning.join(","),
    hand.capo,
    hand.level,
    hand.style,
    hand.strings?.join(",") ?? "all",
    hand.thumb,
    hand.scaleMm,
    hand.fret ?? "anywhere",
    hand.moved,
  ].join(" ");

export const requestKey = (request: ShapeRequest): string => `${request.symbol} ${handKey(request)}`;

/** The shape at a spot: the one chosen there if it fits, else the one planned. */
export function shapeAt(
  body: Pick<VersionBody, "choices">,
  spot: ShapeSpot,
  planned: () => Pick<Fingering, "frets" | "fingers"> | null,
): { shape: Shape | null; unfit: boolean } {
  const { choice, unfit } = findChoice(body, spot);
  if (choice)
    return { shape: { frets: choice.frets, fingers: choice.fingers, chosen: true }, unfit: unfit !== null };
  const found = planned();
  return {
    shape: found && { frets: found.frets, fingers: found.fingers, chosen: false },
    unfit: unfit !== null,
  };
}
