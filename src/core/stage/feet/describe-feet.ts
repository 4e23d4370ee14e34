import { describePress } from "../../loops";
import { describeAct } from "../../sounds";
import type { FeetPress, StageFeet } from "./stage-feet";

/** Presses of one foot at one moment, as they are read: "arm bank 2, go", and when. */
export type TellFeet = {
  readonly foot: FeetPress["foot"];
  readonly kind: FeetPress["kind"];
  readonly said: readonly { readonly words: string; readonly when: string }[];
  readonly heard: boolean;
};

/** A press in the words on its pedal. @example wordsOfPress(press, feet) // => "arm bank 2" */
export const wordsOfPress = (press: FeetPress, { box }: Pick<StageFeet, "box">): string =>
  press.foot === "looper"
    ? describePress(press.press)
    : describeAct(press.act, { twoSwitches: box?.twoSwitches ?? false, firstBank: box?.firstBank ?? 0 });

/**
 * A strip of presses as it is read: one entry for what mends now and one for what comes, each foot for itself; presses of
 * one moment tell it once.
 */
export function tellFeetStrip(strip: readonly FeetPress[], feet: Pick<StageFeet, "box">): TellFeet[] {
  const told: TellFeet[] = [];
  for (const press of strip) {
    const { foot, kind, heard } = press;
    const one = { words: wordsOfPress(press, feet), when: press.when };
    const last = told.at(-1);
    if (last?.foot !== foot || last.kind !== kind) {
      told.push({ foot, kind, said: [one], heard });
      continue;
    }
    const said = last.said.at(-1)!;
    const isOneMoment = said.when === one.when;
    // Of several at one moment the first tells it: "go, on “word”, then slot 1".
    told[told.length - 1] = {
      ...last,
      said: [...last.said, isOneMoment ? { ...one, when: "" } : one],
      heard: last.heard || heard,
    };
  }
  return told;
}
