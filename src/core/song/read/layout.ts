import type { Ticks } from "../../../base";
import type { Exception } from "../schema/sections";

import { type OutlineException, type OutlineLine, type OutlineSection, outlineLine } from "./outline";

/** Why a line is sung here: it is the section's own, or an exception of this use brings it. */
type LineOrigin = "section" | "changed" | "ending" | "extra";

export type LaidLine = {
  readonly outline: OutlineLine;
  readonly origin: LineOrigin;
  /** The section's line this one is, or stands for. */
  readonly slot: string | null;
};

/** One time through a section: which round it is, counted from 0, and what comes after. */
export type Round = {
  readonly round: number;
  readonly last: boolean;
  /** The section of the next passage, or null at the end of the song. */
  readonly next: string | null;
};

/**
 * Whether an exception is for this round. Without a round of its own an ending, an extra line, and a hold or
 * stop at no named chord are for the last one; an ending that names a section is played when that one follows.
 */
export function isPlayed(exception: Exception, { round, last, next }: Round): boolean {
  if (exception.followedBy !== null && exception.followedBy !== next) return false;
  if (exception.round !== null) return exception.round === round + 1;
  if (exception.kind === "ending") return exception.followedBy !== null || last;
  if (exception.kind === "extra") return last;
  return exception.chordId !== null || last || exception.kind === "line" || exception.kind === "push";
}

/** The lines of one time through a section, exceptions applied in their order; of two for one line the later counts. */
export function linesPlayed(
  section: OutlineSection,
  exceptions: readonly OutlineException[],
  round: Round,
): LaidLine[] {
  let laid: LaidLine[] = section.lines.map((outline) => ({
    outline,
    origin: "section",
    slot: outline.line.id,
  }));
  for (const { exception, lines } of exceptions) {
    if (!isPlayed(exception, round)) continue;
    const bring = (origin: LineOrigin, slot: string | null = null): LaidLine[] =>
      lines.map((outline) => ({ outline, origin, slot }));
    if (exception.kind === "line") {
      const at = laid.findIndex((one) => one.slot === exception.lineId);
      const others = laid.filter((one) => one.slot !== exception.lineId);
      if (at >= 0) laid = others.toSpliced(at, 0, ...bring("changed", exception.lineId));
    } else if (exception.kind === "ending") laid = [...cutEnd(laid, exception.ticks), ...bring("ending")];
    else if (exception.kind === "extra") laid = [...laid, ...bring("extra")];
  }
  return laid;
}

/** Takes the last ticks off some lines; a chord across the cut is shortened, words sung after it go. */
function cutEnd(laid: readonly LaidLine[], ticks: Ticks): LaidLine[] {
  const kept = [...laid];
  let left = ticks;
  while (left > 0 && kept.length > 0) {
    const one = kept.pop()!;
    if (one.outline.ticks > left) {
      kept.push({ ...one, outline: shorten(one.outline, one.outline.ticks - left) });
      return kept;
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
