import { type Midi, modulo, unwrap } from "../../../base";
import {
  describeSemitones,
  formatKey,
  formatPitchIn,
  type Key,
  moveKey,
  parseKey,
  plainKey,
  semitonesUp,
} from "../../pitch";
import type { VersionBody } from "../schema/documents";
import type { Use } from "../schema/sections";

import { keysOf } from "./keys";
import type { Outline } from "./outline";

/** A pitch range, lowest and highest, MIDI. */
export type PitchRange = readonly [low: number, high: number];

/** A place of the form where somebody sings, with what is sung there in the key the song is written in. */
export type SungPlace = {
  readonly use: Use;
  readonly label: string;
  readonly range: PitchRange;
};

/** How one key suits a singer. */
export type KeyFit = {
  readonly key: string;
  /** Semitones above, or below, the key the song is written in: by the shorter way. */
  readonly semitones: number;
  readonly isWritten: boolean;
  /** Every place is reached as it is; or some an octave lower; or some not at all. */
  readonly verdict: "fits" | "octave" | "out";
  /** What is sung in this key, octaves lower included. */
  readonly low: number;
  readonly high: number;
  /** Places that are reached only an octave lower. */
  readonly lower: readonly string[];
  /** Semitones above and below the singer's range, at the worst place. */
  readonly above: number;
  readonly below: number;
  /** Semitones left free at the nearer end of the range. */
  readonly margin: number;
};

const HALF_OCTAVE = 6;

/**
 * How far a melody moves between two keys: by the shorter way, six semitones up.
 * @example melodyShift(G, C) // => 5
 */
export const melodyShift = (from: Key, to: Key): number => {
  const up = semitonesUp(from.tonic, to.tonic);
  return up > HALF_OCTAVE ? up - 12 : up;
};

/** Every sung use whose melody range is known: its own, or its section's. */
export function sungPlaces(outline: Outline): SungPlace[] {
  return outline.form.flatMap((use): SungPlace[] => {
    const section = outline.byId.get(use.sectionId)?.section;
    const range = use.melodyRange ?? section?.melodyRange ?? null;
    if (!section || !range || !use.vocals) return [];
    return [{ use, label: use.label ?? section.label, range }];
  });
}

/** What is sung at a place when the whole song is moved by some semitones. */
const rangeAt = (place: SungPlace, semitones: number, octaveDown: boolean): PitchRange => {
  const by = semitones + place.use.shift - (octaveDown ? 12 : 0);
  return [place.range[0] + by, place.range[1] + by];
};

const isInside = ([low, high]: PitchRange, [least, most]: PitchRange): boolean =>
  low >= least && high <= most;

/**
 * The twelve keys for a singer, best first: those that fit as they are, with most room; then those that ask for the
 * fewest places an octave lower; last those out of reach, by how far. Of equals the one nearer the written key.
 * @example keyFits(places, [57, 74], unwrap(parseKey("G")))[0].key
 */
export function keyFits(places: readonly SungPlace[], singer: PitchRange, written: Key): KeyFit[] {
  if (places.length === 0) return [];
  const fits = Array.from({ length: 12 }, (_, step) => {
    const semitones = step > HALF_OCTAVE ? step - 12 : step;
    return keyFit(places, singer, written, semitones);
  });
  const rank = { fits: 0, octave: 1, out: 2 } as const;
  return fits.sort(
    (a, b) =>
      rank[a.verdict] - rank[b.verdict] ||
      a.above + a.below - b.above - b.below ||
      a.lower.length - b.lower.length ||
      b.margin - a.margin ||
      Math.abs(a.semitones) - Math.abs(b.semitones) ||
      a.semitones - b.semitones,
  );
}

function keyFit(places: readonly SungPlace[], singer: PitchRange, written: Key, semitones: number): KeyFit {
  const lower: string[] = [];
  let [low, high, above, below] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0, 0];
  for (const place of places) {
    let sung = rangeAt(place, semitones, place.use.octaveDown);
    if (!place.use.octaveDown && !isInside(sung, singer)) {
      const down = rangeAt(place, semitones, true);
      if (isInside(down, singer)) {
        sung = down;
        if (!lower.includes(place.label)) lower.push(place.label);
      }
    }
    low = Math.min(low, sung[0]);
    high = Math.max(high, sung[1]);
    above = Math.max(above, sung[1] - singer[1]);
    below = Math.max(below, singer[0] - sung[0]);
  }
  const key = semitones === 0 ? written : plainKey(moveKey(written, semitones), written);
  return {
    key: formatKey(key),
    semitones,
    isWritten: semitones === 0,
    verdict: above > 0 || below > 0 ? "out" : lower.length > 0 ? "octave" : "fits",
    low,
    high,
    lower,
    above: Math.max(0, above),
    below: Math.max(0, below),
    margin: Math.min(singer[1] - high, low - singer[0]),
  };
}

/** Why a key suits a singer or doesn't, in a sentence. @param write how pitches of a key are told */
export function describeKeyFit(fit: KeyFit, write: (midi: Midi, key: Key) => string = formatPitchIn): string {
  const key = unwrap(parseKey(fit.key));
  const sung = `sung from ${write(fit.low, key)} to ${write(fit.high, key)}`;
  if (fit.verdict === "out") {
    const parts = [
      fit.above > 0 ? `${describeSemitones(fit.above)} above the voice` : "",
      fit.below > 0 ? `${describeSemitones(fit.below)} below ${fit.above > 0 ? "it" : "the voice"}` : "",
    ].filter((part) => part !== "");
    return `${sung}: ${parts.join(" and ")}`;
  }
  const room = fit.margin === 0 ? "just reached" : `${describeSemitones(fit.margin)} to spare`;
  const octave = fit.lower.length > 0 ? `, with ${fit.lower.join(" and ")} an octave lower` : "";
  return `${sung}: ${room}${octave}`;
}

/** What is sung at a place in the performing key, and how far out of a singer's reach it lies. */
export function reachOf(
  body: Pick<VersionBody, "version">,
  place: SungPlace,
  singer: PitchRange | null,
): {
  readonly range: PitchRange;
  readonly above: number;
  readonly below: number;
  readonly fitsLower: boolean;
} {
  const { written, sounding } = keysOf(body);
  const semitones = melodyShift(written, sounding);
  const range = rangeAt(place, semitones, place.use.octaveDown);
  if (!singer) return { range, above: 0, below: 0, fitsLower: false };
  return {
    range,
    above: Math.max(0, range[1] - singer[1]),
    below: Math.max(0, singer[0] - range[0]),
    fitsLower: !place.use.octaveDown && isInside(rangeAt(place, semitones, true), singer),
  };
}

/** The nearest octave of a melody typed in the performing key, brought back to the written one. */
export function writtenRange(body: Pick<VersionBody, "version">, range: PitchRange): PitchRange {
  const { written, sounding } = keysOf(body);
  const by = melodyShift(written, sounding);
  return [modulo(range[0] - by, 128), modulo(range[1] - by, 128)];
}
