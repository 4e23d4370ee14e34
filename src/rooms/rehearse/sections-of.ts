import type { HeardSong } from "@/core/practice";

/** Each section of the song once, the first time it is played, with its bar lines. */
export function sectionsOf({ passages }: Pick<HeardSong, "passages">) {
  let tick = 0;
  let line = 0;
  const seen = new Set<string>();
  return passages.flatMap(({ label, ticks, bars }, passage) => {
    const section = {
      label,
      passage,
      from: tick,
      to: tick + ticks,
      stretch: { from: line, to: line + bars.length },
    };
    tick += ticks;
    line += bars.length;
    if (seen.has(label)) return [];
    seen.add(label);
    return [section];
  });
}
