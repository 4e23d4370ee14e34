import { byOrder } from "../../../document";
import { EFFECT_IDS, type SoundBox, type VersionBody } from "../../song/schema";

type Profile = Omit<SoundBox, "id" | "order" | "playerId">;

const PLAIN: Profile = Object.freeze({
  name: "Four slots a bank",
  kind: "banks",
  slots: 4,
  banks: null,
  firstBank: 0,
  gapMs: 250,
  landing: "saved",
  change: "arm-go",
  twoSwitches: false,
  tails: false,
  longestDelayMs: null,
  channel: 1,
  firstProgram: 0,
  pedals: [],
});

/** Neutral boxes to start from; everything of them can be changed. Ours, no maker's. */
export const SOUND_BOX_PROFILES: readonly Profile[] = Object.freeze([
  PLAIN,
  {
    ...PLAIN,
    name: "Three slots a bank, two switches together",
    slots: 3,
    banks: 10,
    gapMs: 400,
    change: "direct",
    twoSwitches: true,
  },
  { ...PLAIN, name: "Two slots, few banks", slots: 2, banks: 4, gapMs: 150, landing: "same-slot" },
  {
    ...PLAIN,
    name: "Eight slots a bank, echoes ring on",
    slots: 8,
    banks: 16,
    gapMs: 40,
    change: "direct",
    tails: true,
  },
  {
    ...PLAIN,
    name: "Single pedals without memory",
    kind: "pedals",
    gapMs: 0,
    tails: true,
    pedals: EFFECT_IDS.filter((effect) => effect !== "harmony").map((effect, at) => ({
      effect,
      controller: 80 + at,
    })),
  },
]);

/** The box a player has until somebody says otherwise. */
export const defaultSoundBox = (playerId: string): SoundBox =>
  Object.freeze({ ...PLAIN, id: "default", order: "V", playerId });

/** Whether anybody has said which box a player has: on an assumed one nothing is pressed. */
export const hasSoundBox = (body: Pick<VersionBody, "soundBoxes">, playerId: string): boolean =>
  Object.values(body.soundBoxes).some((box) => box.playerId === playerId);

/** The box of a player: their own, or four slots a bank. */
export const soundBoxOf = (body: Pick<VersionBody, "soundBoxes">, playerId: string): SoundBox =>
  Object.values(body.soundBoxes)
    .filter((box) => box.playerId === playerId)
    .sort(byOrder)[0] ?? defaultSoundBox(playerId);

/** The MIDI program of a slot, and the bank of programs it lies in: 128 programs each. @param bank of this song, from 0 */
export function programOf(
  box: Pick<SoundBox, "slots" | "firstProgram" | "firstBank">,
  bank: number,
  slot: number,
): { readonly program: number; readonly page: number } {
  const number = box.firstProgram + (box.firstBank + bank) * box.slots + slot;
  return { program: number % 128, page: Math.floor(number / 128) };
}

/** The slot of this song a program stands for; null for one below its first. */
export function slotOfProgram(
  box: Pick<SoundBox, "slots" | "firstProgram" | "firstBank">,
  program: number,
  page = 0,
): { readonly bank: number; readonly slot: number } | null {
  const number = page * 128 + program - box.firstProgram - box.firstBank * box.slots;
  return number < 0 ? null : { bank: Math.floor(number / box.slots), slot: number % box.slots };
}
