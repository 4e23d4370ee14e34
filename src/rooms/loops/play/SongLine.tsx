import { LitLine } from "../../trainer";
import { wordsOfSpan } from "../ropes/strand-units";
import type { ShownPlan } from "../use-loops";

/** Where in the song we are: the section, the line that is sung, and the word sung now. */
export function SongLine({
  shown,
  seconds,
  stamp,
  piece,
  isBuild,
}: {
  shown: ShownPlan;
  seconds: number | null;
  stamp: number | undefined;
  piece: number;
  /** Whether it is the build before the song: nothing is sung in it. */
  isBuild: boolean;
}) {
  const { song } = shown;
  const { span } = song.pieces[piece]!;
  const perSecond = (song.asked!.tempo / 60) * song.beatTicks;
  const tick = seconds === null ? null : song.pieces[0]!.from + seconds * perSecond - span.from;
  const words = wordsOfSpan(span);
  const at = tick === null || tick < 0 ? -1 : words.findLastIndex((word) => word.tick <= tick);
  const count = seconds !== null && seconds < 0 ? Math.ceil(-seconds / (60 / song.asked!.tempo)) : null;
  return (
    <p className="mb-1 min-h-8 text-lg" data-seconds={seconds?.toFixed(3)} data-stamp={stamp}>
      <strong>{isBuild ? "The build" : span.label}</strong>
      {count !== null && ` in ${count}`}
      {!isBuild && <LitLine words={words} at={at} />}
    </p>
  );
}
