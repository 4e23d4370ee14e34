import { actsOfPress, type BoxPedal, type Press, pedalFor } from "@/core/loops";
import type { LoopBox } from "@/core/song/schema";

/** How a pedal is used, as it is said behind its name. */
const HOW: Readonly<Record<BoxPedal["way"], string>> = { press: "", double: ", twice", hold: ", held" };

/** The name of a pedal of a box, and how it is used. @example tellPedal(box, pedal) // => "All, held" */
export const tellPedal = ({ pedals }: Pick<LoopBox, "pedals">, { at, way }: BoxPedal): string =>
  `${pedals[at]!.name}${HOW[way]}`;

/** The pedal of an act by its name, and how it is pressed; null where none does it. */
export function pedalNamed(
  box: Pick<LoopBox, "pedals">,
  act: string,
  effect?: "start" | "stop",
): string | null {
  const pedal = pedalFor(box, act, effect);
  return pedal && tellPedal(box, pedal);
}

/** The pedals of a press by their names, in quotes. @example "“Track 1” and “Track 2” at once" */
export function pedalsNamed(box: Pick<LoopBox, "pedals">, press: Press): string {
  const names = actsOfPress(press).map(({ act, effect }) => {
    const pedal = pedalNamed(box, act, effect);
    return pedal ? `“${pedal}”` : "a pedal the box lacks";
  });
  return names.length > 1 ? `${names.join(" and ")} at once` : names[0]!;
}
