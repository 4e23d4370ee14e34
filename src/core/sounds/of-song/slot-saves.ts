import type { VersionBody } from "../../song/schema";
import type { ToneBank } from "../plan";
import { differencesOf, type LedgerLine, PLAIN_SETTINGS, type Settings } from "../sound";
import type { SongTones } from "./song-sounds";

/** A slot of the plan and how it stands on the real box. */
export type SlotState = {
  readonly bank: number;
  readonly slot: number;
  readonly sound: string;
  /** Other slots that hold the same sound: edit one, and they must be saved again as well. */
  readonly copies: readonly { readonly bank: number; readonly slot: number }[];
  readonly state:
    | { readonly is: "saved" }
    | { readonly is: "new" }
    | { readonly is: "other"; readonly sound: string }
    | { readonly is: "changed"; readonly lines: readonly LedgerLine[] };
};

/** Every filled slot of a plan, and whether the real box holds it as it is now. */
export function slotStates(
  body: Pick<VersionBody, "slotSaves">,
  song: Pick<SongTones, "player" | "settings">,
  banks: readonly ToneBank[],
): SlotState[] {
  const filled = banks.flatMap(({ slots }, bank) =>
    slots.flatMap((sound, slot) => (sound === null ? [] : [{ bank, slot, sound }])),
  );
  const saves = Object.values(body.slotSaves).filter((save) => save.playerId === song.player.id);
  return filled.map((place): SlotState => {
    const copies = filled.filter((one) => one.sound === place.sound && one !== place);
    const save = saves.find((one) => one.bank === place.bank && one.slot === place.slot);
    if (!save) return { ...place, copies, state: { is: "new" } };
    if (save.sound !== place.sound) return { ...place, copies, state: { is: "other", sound: save.sound } };
    const before = { ...PLAIN_SETTINGS, ...save.settings } as Settings;
    const lines = differencesOf(before, song.settings.get(place.sound) ?? PLAIN_SETTINGS);
    return { ...place, copies, state: lines.length === 0 ? { is: "saved" } : { is: "changed", lines } };
  });
}
