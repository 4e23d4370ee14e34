import { type Moment, type SongClock, tellUnder } from "@/core/song/moments";
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

/** "bars 7–8" where a move fills whole bars of one time through its section; null where it does not. */
function wholeBars(move: SoundMove, span: SoundUse["span"], clock: SongClock): string | null {
  const [first, last, after] = [move.from, move.to - 1, move.to].map((tick) =>
    clock.momentAt(span.from + tick),
  ) as [Moment, Moment, Moment];
  const isWhole =
    first.beat === 1 &&
    (after.beat === 1 || span.from + move.to >= span.to) &&
    first.songBar > 0 &&
    last.useId === span.use.id &&
    last.round === first.round;
  if (!isWhole) return null;
  const round = first.round === null ? "" : `time ${first.round}, `;
  return first.bar === last.bar ? `${round}bar ${first.bar}` : `${round}bars ${first.bar}–${last.bar}`;
}
