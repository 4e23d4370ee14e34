import type { LoopPlan } from "@/core/loops";
import type { LoopBox } from "@/core/song/schema";
import { pedalNamed } from "../pedal-of";

type BuildPass = LoopPlan["build"]["passes"][number];

const WHEN: Readonly<Record<BuildPass["presses"][number]["at"], string>> = {
  start: "to begin",
  close: "to close",
  next: "to go on at once",
};

/**
 * What the foot does for a pass of the build, by the names of the box's pedals.
 * @example "Left to begin; Left to close; Right to go on at once"
 */
export const tellBuildFeet = (
  { presses }: Pick<BuildPass, "presses">,
  box: Pick<LoopBox, "pedals">,
): string =>
  presses
    .map(({ press, track, at }) => {
      const effect = at === "close" ? undefined : "start";
      const pedal = pedalNamed(box, `${press}-${track}`, effect)?.replace(",", "");
      const name = pedal ?? `no pedal for track ${track + 1}`;
      return `${name} ${WHEN[at]}`;
    })
    .join("; ");
