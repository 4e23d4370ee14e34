import type { SettingKey, SoundMove } from "@/core/song/schema";
import { describeSetting, type SoundUse } from "@/core/sounds";

/** A move in words. @example "from bar 7, guitar tone up to 10 of 10 by bar 9, by hand" */
export function describeMove(move: SoundMove, soundUse: SoundUse, beatTicks: number): string {
  const bar = (tick: number): string => {
    const ticks = soundUse.span.passages[0]!.bars.find(({ number }) => number > 0)?.ticks ?? 4 * beatTicks;
    const beat = Math.floor((tick % ticks) / beatTicks);
    return `bar ${Math.floor(tick / ticks) + 1}${beat === 0 ? "" : ` beat ${beat + 1}`}`;
  };
  const what = describeSetting(move.setting as SettingKey, move.value);
  return move.to === move.from
    ? `at ${bar(move.from)}: ${what}, by ${move.by}`
    : `${bar(move.from)} to the start of ${bar(move.to)}: ${what}, by ${move.by}`;
}
