import type { Ticks } from "../../base";
import type { DrumHit } from "../playing";
import { beatsOfBar, beatUnitOf, isCompound, type Meter, ticksOfBeatUnit } from "../rhythm";
import type { TechniqueId } from "../song/schema";

/**
 * What a drummer plays in a bar where nothing but the way of playing is said: the low drum on the odd beats, the high one on the
 * even ones, the time on every half beat; in three the high drum softly on the second and third. Common practice, no source.
 * @param technique null plays as much as the metre has
 * @example grooveOf("backbeat", { beats: 4, unit: 4 }).map(({ drum }) => drum) // => ["low", "high", "low", "high"]
 */
export function grooveOf(technique: TechniqueId | null, meter: Meter): DrumHit[] {
  const beats = beatsOfBar(meter);
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const parts = isCompound(meter) ? 3 : 2;
  const each = (hit: (at: number) => DrumHit | null, of: number): DrumHit[] =>
    Array.from({ length: of }, (_, at) => hit(at)).filter((one) => one !== null);
  const place = (at: number): Ticks => Math.round((at * beat) / parts);
  if (technique === "shaker")
    return each(
      (at) => ({ tick: place(at), drum: "shaker", weight: at % parts === 0 ? 1 : 2 }),
      beats * parts,
    );
  const drums = each((at) => {
    const isLow = beats % 2 === 1 ? at === 0 : at % 2 === 0;
    return { tick: at * beat, drum: isLow ? "low" : "high", weight: beats === 3 && !isLow ? 1 : 2 };
  }, beats);
  if (technique === "backbeat") return drums;
  const time = each(
    (at) => ({ tick: place(at), drum: "time", weight: at % parts === 0 ? 2 : 1 }),
    beats * parts,
  );
  return [...drums, ...time].sort((a, b) => a.tick - b.tick);
}
