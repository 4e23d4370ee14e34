import { type SongClock, tellBarsUnder, tellUnder } from "@/core/song/moments";
import type { SettingKey, SoundMove } from "@/core/song/schema";
import { describeSetting } from "@/core/song/schema";
import type { SoundUse } from "@/core/sounds";

/** A move in words, under the name of its section. @example "bars 7–8: guitar tone 10 of 10, by hand" */
export function describeMove(move: SoundMove, { span }: Pick<SoundUse, "span">, clock: SongClock): string {
  const what = `${describeSetting(move.setting as SettingKey, move.value)}, by ${move.by}`;
  const at = (tick: number): string => tellUnder(clock.momentAt(span.from + tick), span.use.id);
  if (move.to === move.from) return `at ${at(move.from)}: ${what}`;
  return `${wholeBars(move, span, clock) ?? `${at(move.from)} to ${at(move.to)}`}: ${what}`;
}

/** The bars a move fills from bar line to bar line; null where it does not. */
function wholeBars(move: SoundMove, span: SoundUse["span"], clock: SongClock): string | null {
  const end = span.from + move.to;
  if (end < span.to && clock.momentAt(end).beat !== 1) return null;
  return tellBarsUnder(clock.momentAt(span.from + move.from), clock.momentAt(end - 1), span.use.id);
}
