import type { ShownPlan } from "../use-loops";
import type { RopeMark } from "./Rope";

/** Chords along a rope, or counts where it has none. @param nameOf how a chord that sounds is told */
export function marksOf(
  shown: ShownPlan,
  ids: readonly string[],
  nameOf: (symbol: string) => string,
): RopeMark[] {
  const asked = shown.song.asked!;
  const layers = ids.map((id) => asked.layers.find((layer) => layer.id === id)!);
  const longest = Math.max(1, ...layers.map(({ bars }) => bars));
  const chords = layers.find(({ kind, progression }) => kind === "pitched" && progression.length > 0);
  if (!chords)
    return ids.length === 0
      ? []
      : Array.from({ length: longest }, (_, bar) => ({ at: bar / longest, text: `bar ${bar + 1}` }));
  const length = longest * asked.beatsPerBar;
  const marks: RopeMark[] = [];
  let beat = 0;
  while (beat < length && marks.length < 64)
    for (const { chord, beats } of chords.progression) {
      if (beat < length) marks.push({ at: beat / length, text: nameOf(chord.symbol) });
      beat += beats;
    }
  return marks;
}
