import { beatsOfBar } from "../meter";
import { isCompound, type Pattern, type Subdivision } from "./pattern";

/** What is said between the beats. */
const BETWEEN: Readonly<Record<Subdivision, readonly string[]>> = Object.freeze({
  2: ["&"],
  3: ["&", "a"],
  4: ["e", "&", "a"],
  6: ["&", "a", "&", "a", "&"],
});

/**
 * What is counted aloud over each stroke, a new bar beginning at 1 again. In 6/8, 9/8 and 12/8 eighths are counted
 * through the bar (1 2 3 4 5 6), as players do; sixteenths there have "&" between (common practice, no source).
 * @example countsOf(fourFourInEighths) // => ["1", "&", "2", "&", "3", "&", "4", "&"]
 */
export function countsOf({ meter, subdivision, strokes }: Pattern): readonly string[] {
  const beats = beatsOfBar(meter);
  const counted = isCompound(meter) && (subdivision === 3 || subdivision === 6);
  const parts = counted ? subdivision / 3 : subdivision;
  const numbers = counted ? beats * 3 : beats;
  return strokes.map((_, at) => {
    const [number, part] = [Math.floor(at / parts) % numbers, at % parts];
    return part === 0 ? String(number + 1) : (counted ? "&" : BETWEEN[subdivision][part - 1])!;
  });
}
