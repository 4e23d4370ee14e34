import { type SongClock, tellUnder } from "@/core/song/moments";
import type { SettingKey, SoundMove } from "@/core/song/schema";
import { describeSetting } from "@/core/song/schema";
import type { SoundUse } from "@/core/sounds";

/** A move in words. @example "from bar 7, beat 1 to bar 9, beat 1: guitar tone up to 10 of 10, by hand" */
export function describeMove(move: SoundMove, { span }: SoundUse, clock: SongClock): string {
  const at = (tick: number): string => tellUnder(clock.momentAt(span.from + tick), span.use.id);
  const what = describeSetting(move.setting as SettingKey, move.value);
  return move.to === move.from
    ? `at ${at(move.from)}: ${what}, by ${move.by}`
    : `${at(move.from)} to ${at(move.to)}: ${what}, by ${move.by}`;
}
