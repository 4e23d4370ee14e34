import type { Ticks } from "../../../base";
import type { Anchor, Exception, ExceptionTimes } from "../schema/sections";
import { chordsOver, renamed } from "./compose-line";
import { type OutlineException, type OutlineLine, type OutlineSection, outlineLine } from "./outline";

/** Why a line is sung here: it is the section's own, or an exception brings it, or its words or chords. */
type LineOrigin = "section" | "changed" | "words" | "chords" | "ending" | "extra";

export type LaidLine = {
  readonly outline: OutlineLine;
  readonly origin: LineOrigin;
  /** The section's line this one is, or stands for. */
  readonly slot: string | null;
};

/** One time through a section: which round of its use it is, counted from 0, and what comes after. */
export type Round = {
  readonly round: number;
  readonly last: boolean;
  /** The section of the next passage, or null at the end of the song. */
  readonly next: string | null;
  /** How often the section was played before, all its uses and rounds together. */
  readonly time: number;
  /** Whether it is not played again. */
  readonly lastTime: boolean;
};

/** Which times a section's exception is for. */
const NAMES: Readonly<Record<ExceptionTimes, (round: Round) => boolean>> = Object.freeze({
  every: () => true,
  first: ({ time }) => time === 0,
  later: ({ time }) => time > 0,
  last: ({ lastTime }) => lastTime,
});

/**
 * Whether an exception is for this time through the section. One of the section goes by its times. One of a use without a
 * round of its own: an ending, an extra line, and a hold or stop at no named chord are for the last round, all else for
 * each; an ending that names a section is played when that one follows.
 */
export function isPlayed(exception: Exception, round: Round): boolean {
  if (exception.followedBy !== null && exception.followedBy !== round.next) return false;
  if (exception.useId === null) return NAMES[exception.times](round);
  if (exception.round !== null) return exception.round === round.round + 1;
  if (exception.kind === "ending") return exception.followedBy !== null || round.last;
  if (exception.kind === "extra") return round.last;
  const atTheEnd = exception.chordId === null && (exception.kind === "hold" || exception.kind === "stop");
  return !atTheEnd || round.last;
}

/** Of several endings the one that is played: a use's before its section's, one for what follows before one for anything. */
function endingPlayed(played: readonly OutlineException[]): OutlineException | null {
  const rank = ({ exception }: OutlineException): number =>
    (exception.useId === null ? 0 : 2) + (exception.followedBy === null ? 0 : 1);
  return played
    .filter(({ exception }) => exception.kind === "ending")
    .reduce<OutlineException | null>((best, one) => (best && rank(best) > rank(one) ? best : one), null);
}

/** A line on its way: what it is but for other words, and the words it has instead. */
type Laying = LaidLine & { readonly shared: OutlineLine; readonly words: OutlineException | null };

const laying = (outline: OutlineLine, origin: LineOrigin, slot: string | null = null): Laying => ({
  outline,
  origin,
  slot,
  shared: outline,
  words: null,
});

/** The lines of one time through a section, exceptions applied in their order; of two for one line the later counts. */
export function linesPlayed(
  section: OutlineSection,
  exceptions: readonly OutlineException[],
  round: Round,
): LaidLine[] {
  const played = exceptions.filter(({ exception }) => isPlayed(exception, round));
  const ending = endingPlayed(played);
  const start = section.lines.map((outline) => laying(outline, "section", outline.line.id));
  return played
    .filter((one) => one.exception.kind !== "ending" || one === ending)
    .reduce(applied, start)
    .map(({ outline, origin, slot }) => ({ outline, origin, slot }));
}

/** Some lines with one exception applied. */
function applied(laid: readonly Laying[], { exception, lines, anchors }: OutlineException): Laying[] {
  const at = laid.findIndex(({ slot }) => slot !== null && slot === exception.lineId);
  const [line, own] = [laid[at], lines[0]];
  switch (exception.kind) {
    case "line": {
      const others = laid.filter(({ slot }) => slot !== exception.lineId);
      const brought = lines.map((outline) => laying(outline, "changed", exception.lineId));
      return at < 0 ? [...laid] : others.toSpliced(at, 0, ...brought);
    }
    case "words": {
      if (!line || !own) return [...laid];
      const words = { exception, lines, anchors };
      return laid.with(at, {
        ...line,
        outline: chordsOver(line.shared, own, anchors),
        words,
        origin: "words",
      });
    }
    case "chords": {
      if (!line || !own) return [...laid];
      const placed = underWords(own, line.shared);
      // Its chords may stand at words of the line's, or at the other words that are sung.
      const chords = placed.chords.map(({ at }, index) => ({ at, chord: own.chords[index]!.chord }));
      const shared = { ...placed, chords };
      const sung = line.words?.lines[0];
      const outline = sung ? chordsOver(shared, sung, line.words!.anchors) : placed;
      return laid.with(at, { ...line, shared, outline, origin: "chords" });
    }
    case "chord": {
      const { chordId, symbol } = exception;
      if (chordId === null || symbol === null) return [...laid];
      return laid.map((one) =>
        one.outline.chords.some(({ chord }) => chord.id === chordId)
          ? {
              ...one,
              outline: renamed(one.outline, chordId, symbol),
              shared: renamed(one.shared, chordId, symbol),
            }
          : one,
      );
    }
    case "ending":
      return [...cutEnd(laid, exception.ticks), ...lines.map((outline) => laying(outline, "ending"))];
    case "extra":
      return [...laid, ...lines.map((outline) => laying(outline, "extra"))];
    default:
      return [...laid];
  }
}

const NO_ANCHORS: ReadonlyMap<string, Anchor> = new Map();

/** Other chords under the words of a line. */
const underWords = (chords: OutlineLine, words: OutlineLine): OutlineLine => {
  const placed = outlineLine(
    words.line,
    words.words.map(({ word }) => word),
    chords.chords.map(({ chord }) => chord),
  );
  return chordsOver(placed, words, NO_ANCHORS);
};

/** Takes the last ticks off some lines; a chord across the cut is shortened, words sung after it go. */
export function cutEnd<Laid extends Pick<LaidLine, "outline">>(laid: readonly Laid[], ticks: Ticks): Laid[] {
  const kept = [...laid];
  let left = ticks;
  while (left > 0 && kept.length > 0) {
    const one = kept.pop()!;
    if (one.outline.ticks > left) {
      const outline = shorten(one.outline, one.outline.ticks - left);
      return [...kept, { ...one, outline, shared: outline }];
    }
    left -= one.outline.ticks;
  }
  return kept;
}

function shorten(line: OutlineLine, ticks: Ticks): OutlineLine {
  const chords: OutlineLine["chords"][number]["chord"][] = [];
  let left = ticks;
  for (const { chord } of line.chords) {
    if (left > 0) chords.push(chord.ticks > left ? { ...chord, ticks: left } : chord);
    left -= chord.ticks;
  }
  const cut = line.chords[chords.length];
  const words = line.words.filter(({ at }) => cut === undefined || at < cut.at).map(({ word }) => word);
  return outlineLine(line.line, words, chords);
}
