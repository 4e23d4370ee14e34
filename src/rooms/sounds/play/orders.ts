import { capital } from "@/base";
import type { SoundBox } from "@/core/song/schema";
import { describeAct, nameOfAct, type ToneAct, type ToneBank } from "@/core/sounds";

/** The switches of a box, in the order of their keys: slots, go, banks; or single pedals. */
export function switchesOf(box: SoundBox, banks: readonly ToneBank[]): { act: ToneAct; name: string }[] {
  const acts: ToneAct[] =
    box.kind === "pedals"
      ? box.pedals.map(({ effect }): ToneAct => ({ do: "pedal", effect }))
      : [
          ...Array.from({ length: box.slots }, (_, slot): ToneAct => ({ do: "slot", slot })),
          ...(box.change === "arm-go" && banks.length > 1 ? [{ do: "go" } as const] : []),
          ...(banks.length > 1
            ? banks.map((_, bank): ToneAct => ({ do: box.change === "direct" ? "bank" : "arm", bank }))
            : []),
        ];
  return acts.map((act) => ({ act, name: capital(describeAct(act, { ...box, twoSwitches: false })) }));
}

/** Switches as pedals of the trainer. */
export const pedalsOf = (switches: ReturnType<typeof switchesOf>) =>
  switches.map(({ act, name }) => ({ name, press: nameOfAct(act), double: "none", hold: "none" }));
