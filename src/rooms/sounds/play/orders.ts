import { capital } from "@/base";
import type { SoundBox } from "@/core/song/schema";
import { type BoxOrder, nameOfAct, sayAct, type ToneAct, type ToneBank } from "@/core/tones";

/** An act from its one word; null for none of ours. @example orderOfName("slot-2") // => { do: "slot", slot: 2 } */
export function orderOfName(name: string): BoxOrder | null {
  if (name === "go") return { do: "go" };
  const [kind, what = ""] = name.split(/-(.*)/u);
  const number = Number(what);
  if (kind === "pedal") return { do: "pedal", effect: what };
  if (!Number.isInteger(number)) return null;
  if (kind === "slot") return { do: "slot", slot: number };
  return kind === "arm" || kind === "bank" ? { do: kind, bank: number } : null;
}

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
  return acts.map((act) => ({ act, name: capital(sayAct(act, { ...box, twoSwitches: false })) }));
}

/** Switches as pedals of the trainer. */
export const pedalsOf = (switches: ReturnType<typeof switchesOf>) =>
  switches.map(({ act, name }) => ({ name, press: nameOfAct(act), double: "none", hold: "none" }));
