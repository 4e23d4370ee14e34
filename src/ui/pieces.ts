import type { Ticks } from "@/base";
import { beatsOfTicks, type LineSum, ticksOfBeatUnit } from "@/core/rhythm";
import {
  type ChordEvent,
  type OutlineLine,
  playedOtherwise,
  type StrokePlaced,
  type SungPiece,
} from "@/core/song/read";

type NameOf = (symbol: string) => { name: string; readable: boolean };

/** How a line is played: its chords in time, and what comes after them. */
export type Playing = {
  readonly events: readonly ChordEvent[];
  /** The chord after the line's last, wherever it stands; null at the end of the song. */
  readonly next: { readonly name: string; readonly readable: boolean; readonly event: ChordEvent } | null;
  /** Whether the band is silent through the section. */
  readonly tacet?: boolean;
  /** Whether the reader is silent between two ticks; never when left out. */
  readonly isSilent?: (from: Ticks, to: Ticks) => boolean;
  /** The reader's strokes between two ticks, at their shares of that time. */
  readonly strokesIn?: (from: Ticks, to: Ticks) => readonly StrokePlaced[];
};

/** By how much a chord comes later than its place; less than 0 is sooner. */
const shiftOf = (event: ChordEvent | undefined): Ticks => (event ? event.late - event.early : 0);

/**
 * Cuts a line at its chords into what stands under each.
 * @param nameOf gives a chord's name for the reader
 * @param playing how it sounds; as written when left out
 */
export function piecesOf(
  line: OutlineLine,
  sum: LineSum | undefined,
  beatUnit: string,
  nameOf: NameOf,
  playing?: Playing,
): SungPiece[] {
  const pieces: SungPiece[] = [];
  const head = line.text.slice(0, line.chords[0]?.at ?? line.text.length);
  if (head !== "" || line.chords.length === 0) {
    pieces.push({
      id: `${line.line.id} head`,
      words: head,
      name: null,
      beats: 0,
      from: 0,
      guessed: false,
      unreadable: false,
    });
  }
  let gone = sum?.carryIn ?? 0;
  for (const [index, { chord, at }] of line.chords.entries()) {
    const { name, readable } = nameOf(chord.symbol);
    const piece: SungPiece = {
      id: chord.id,
      words: line.text.slice(at, line.chords[index + 1]?.at ?? line.text.length),
      name,
      beats: beatsOfTicks(chord.ticks, beatUnit),
      from: beatsOfTicks(gone, beatUnit),
      guessed: chord.guessed,
      unreadable: !readable,
      unsure: !chord.sure,
    };
    pieces.push(playing ? asPlayed(piece, index, line, playing, beatUnit) : piece);
    gone += chord.ticks;
  }
  const early = playing && earlyNext(line, playing, beatUnit, gone);
  return early ? [...pieces.slice(0, -1), shortened(pieces.at(-1)!, early.beats), early] : pieces;
}

/** A piece as it sounds. */
function asPlayed(
  piece: SungPiece,
  index: number,
  { chords }: OutlineLine,
  { events, next, tacet = false, isSilent, strokesIn }: Playing,
  beatUnit: string,
): SungPiece {
  const event = events[index];
  if (!event) return piece;
  const beat = ticksOfBeatUnit(beatUnit) ?? 960;
  const isLast = index === chords.length - 1;
  // Past the end of a line nothing is drawn: a late chord there is told by the gap it leaves.
  const nextShift = isLast ? Math.min(0, shiftOf(next?.event)) : shiftOf(events[index + 1]);
  const played = playedOtherwise(event, nextShift, beat, tacet);
  const silent = tacet || (isSilent?.(event.tick, event.tick + event.ticks) ?? false);
  const beats = piece.beats + (played?.held ?? 0);
  const place = event.tick + event.early - event.late;
  const quiet =
    silent || !isSilent
      ? []
      : Array.from({ length: Math.ceil(beats) }, (_, at) => at).filter((at) =>
          isSilent(place + at * beat, Math.min(event.tick + event.ticks, place + (at + 1) * beat)),
        );
  const strokes = silent || !played ? [] : (strokesIn?.(event.tick, event.tick + event.ticks) ?? []);
  const tied = index === 0 && event.early > 0 ? { tied: "on" as const } : {};
  const lead = tied.tied && played ? { played: { ...played, lead: 0 } } : played ? { played } : {};
  return {
    ...piece,
    beats,
    ...lead,
    ...tied,
    ...(silent && { silent }),
    ...(quiet.length > 0 && { quiet }),
    ...(strokes.length > 0 && { strokes }),
  };
}

/** The chord of the next line that comes early, as it begins at the end of this one. */
function earlyNext(
  { line, chords }: OutlineLine,
  { next, isSilent }: Playing,
  beatUnit: string,
  gone: Ticks,
): SungPiece | null {
  if (!next || next.event.early <= 0 || chords.length === 0) return null;
  const { name, readable } = next;
  const { tick, early } = next.event;
  const silent = isSilent?.(tick, tick + early) ?? false;
  const beats = beatsOfTicks(early, beatUnit);
  return {
    id: `${line.id} early`,
    words: "",
    name,
    beats,
    from: beatsOfTicks(gone, beatUnit) - beats,
    guessed: false,
    unreadable: !readable,
    tied: "early",
    ...(silent && { silent }),
  };
}

/** The last piece of a line, with the end taken off that the next line's chord has. */
const shortened = (piece: SungPiece, by: number): SungPiece => ({
  ...piece,
  beats: Math.max(0.25, piece.beats - by),
  ...(piece.played && { played: { ...piece.played, tail: 0 } }),
});
