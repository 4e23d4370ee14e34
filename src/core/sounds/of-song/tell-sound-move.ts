import { type SongClock, tellBarsUnder, tellUnder } from "../../song/moments";
import type { UseSpan } from "../../song/read";
import { describeSetting, type SettingKey, type SoundMove, type VersionBody } from "../../song/schema";
import { describeSound, settingsOf, soundNamed } from "../sound";

/** A move in words, under the name of its section. @example "bars 7–8: guitar tone 10 of 10, by hand" */
export function tellSoundMove(
  move: SoundMove,
  { span }: { readonly span: UseSpan },
  clock: SongClock,
): string {
  const what = `${describeSetting(move.setting as SettingKey, move.value)}, by ${move.by}`;
  const at = (tick: number): string => tellUnder(clock.momentAt(span.from + tick), span.use.id);
  if (move.to === move.from) return `at ${at(move.from)}: ${what}`;
  return `${wholeBars(move, span, clock) ?? `${at(move.from)} to ${at(move.to)}`}: ${what}`;
}

/** The bars a move fills from bar line to bar line; null where it does not. */
function wholeBars(move: SoundMove, span: UseSpan, clock: SongClock): string | null {
  const end = span.from + move.to;
  if (end < span.to && clock.momentAt(end).beat !== 1) return null;
  return tellBarsUnder(clock.momentAt(span.from + move.from), clock.momentAt(end - 1), span.use.id);
}

/**
 * What a sound holds, for the sheet of its player; "" where nobody has described it.
 * @example tellSound(body, "p1", "Lead") // => "drive stages 2, delay dotted 1/8"
 */
export function tellSound(body: Pick<VersionBody, "sounds">, playerId: string, name: string): string {
  const sound = soundNamed(body, playerId, name);
  return sound ? describeSound(settingsOf(body.sounds, sound)) : "";
}

/** The small moves a player makes in one use of a section, in words, in the order they come. */
export const tellSoundMoves = (
  body: Pick<VersionBody, "soundMoves">,
  playerId: string,
  span: UseSpan,
  clock: SongClock,
): string[] =>
  Object.values(body.soundMoves)
    .filter((row) => row.playerId === playerId && row.useId === span.use.id)
    .flatMap(({ moves }) => moves)
    .toSorted((a, b) => a.from - b.from)
    .map((move) => tellSoundMove(move, { span }, clock));
