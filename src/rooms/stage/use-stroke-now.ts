import { useEffect, useState } from "react";
import { type Pattern, strokeAt, type Tempo } from "@/core/rhythm";

/**
 * The stroke of a pattern that sounds now while it goes round and round; null in silence.
 * @param since when its first stroke sounded, in ms of the page's clock
 */
export function useStrokeNow(pattern: Pattern | null, tempo: Tempo, since: number | null): number | null {
  const [now, setNow] = useState<number | null>(null);
  const { bpm, beatUnit } = tempo;
  useEffect(() => {
    if (!pattern || since === null) return;
    let frame = 0;
    const look = () => {
      setNow(strokeAt(pattern, { bpm, beatUnit }, performance.now() - since));
      frame = requestAnimationFrame(look);
    };
    look();
    return () => {
      cancelAnimationFrame(frame);
      setNow(null);
    };
  }, [pattern, bpm, beatUnit, since]);
  return now;
}
