import { assertNever, type Ticks } from "../../../base";
import type { MakeId } from "../../../document";
import { add, batch, remove, set, setCells, type VersionCommand, type VersionStep } from "../../song/edit";
import { type CellIndex, cellKey } from "../../song/read";
import type { SoundBox, SoundMove, VersionBody } from "../../song/schema";
import type { Settings } from "../sound";
import type { ToneOffer } from "./offers";
import { soundBoxOf } from "./sound-boxes";

/** Changes the box of a player; the default one is written down first. */
export function setSoundBox(
  body: Pick<VersionBody, "soundBoxes">,
  playerId: string,
  fields: Partial<Omit<SoundBox, "id" | "playerId">>,
  makeId: MakeId,
): VersionCommand {
  const box = soundBoxOf(body, playerId);
  return body.soundBoxes[box.id]
    ? set("soundBoxes", box.id, fields)
    : add("soundBoxes", { ...box, ...fields, id: makeId() });
}

/** Gives a part a sound by its name; "" lets it inherit again. */
export const nameSound = (
  index: CellIndex,
  place: { readonly useId: string; readonly playerId: string },
  sound: string,
  makeId: MakeId,
): VersionCommand =>
  setCells(index, "Choose a sound", [{ ...place, fields: { sound: sound === "" ? null : sound } }], makeId);

type SlotPlace = { readonly bank: number; readonly slot: number };

/** Pins a sound in a slot. What was pinned there, and the same sound's pin in that bank, go. */
export function pinSlot(
  body: Pick<VersionBody, "slotPins">,
  playerId: string,
  sound: string,
  { bank, slot }: SlotPlace,
  makeId: MakeId,
  from: SlotPlace | null = null,
): VersionCommand {
  const own = Object.values(body.slotPins).filter((pin) => pin.playerId === playerId);
  const gone = own.filter(
    (pin) =>
      (pin.bank === bank && (pin.slot === slot || pin.sound === sound)) ||
      (from !== null && pin.bank === from.bank && pin.slot === from.slot),
  );
  return batch("Pin a sound", [
    ...gone.map((pin) => remove("slotPins", pin)),
    add("slotPins", { id: makeId(), playerId, sound, bank, slot }),
  ]);
}

/** Takes pins out: one place's, or all of a player. */
export const unpin = (
  body: Pick<VersionBody, "slotPins">,
  playerId: string,
  place: SlotPlace | null = null,
): VersionCommand =>
  batch(
    "Take a pin out",
    Object.values(body.slotPins)
      .filter(
        (pin) =>
          pin.playerId === playerId &&
          (place === null || (pin.bank === place.bank && pin.slot === place.slot)),
      )
      .map((pin) => remove("slotPins", pin)),
  );

/** Notes that slots of the real box were saved as they are now. */
export function markSaved(
  body: Pick<VersionBody, "slotSaves">,
  playerId: string,
  slots: readonly (SlotPlace & { readonly sound: string; readonly settings: Settings })[],
  makeId: MakeId,
): VersionCommand {
  const own = Object.values(body.slotSaves).filter((save) => save.playerId === playerId);
  return batch(
    "Note saved slots",
    slots.map(({ bank, slot, sound, settings }) => {
      const known = own.find((save) => save.bank === bank && save.slot === slot);
      return known
        ? set("slotSaves", known.id, { sound, settings })
        : add("slotSaves", { id: makeId(), playerId, bank, slot, sound, settings });
    }),
  );
}

/** Sets the moves inside a use, or how much sooner the last chord ends there. */
export function setMoves(
  body: Pick<VersionBody, "soundMoves">,
  place: { readonly useId: string; readonly playerId: string },
  fields: { readonly moves?: SoundMove[]; readonly endsEarly?: Ticks },
  makeId: MakeId,
): VersionStep {
  const row = Object.values(body.soundMoves).find(
    (one) => one.useId === place.useId && one.playerId === place.playerId,
  );
  return row
    ? set("soundMoves", row.id, fields)
    : add("soundMoves", { id: makeId(), ...place, moves: [], endsEarly: 0, ...fields });
}

/** The edit that takes a way out of an exposed change. */
export function takeOffer(
  body: VersionBody,
  index: CellIndex,
  playerId: string,
  { out, plan }: ToneOffer,
  makeId: MakeId,
): VersionCommand {
  switch (out.code) {
    case "swap": {
      const pins = plan.banks.flatMap(({ slots }, bank) =>
        slots.flatMap((sound, slot) => (sound === null ? [] : [{ sound, bank, slot }])),
      );
      const old = Object.values(body.slotPins).filter((pin) => pin.playerId === playerId);
      return batch("Swap two slots", [
        ...old.map((pin) => remove("slotPins", pin)),
        ...pins.map((pin) => add("slotPins", { id: makeId(), playerId, ...pin })),
      ]);
    }
    case "share":
      return nameSound(index, { useId: out.useId, playerId }, out.sound, makeId);
    case "end-early":
      return setMoves(body, { useId: out.early.useId, playerId }, { endsEarly: out.early.ticks }, makeId);
    case "cover": {
      const { useId, ticks } = out.early;
      const note = `Cover the end for ${body.players[playerId]?.name ?? "the other part"}: a change of sound.`;
      const cell = index.cells.get(cellKey(useId, out.playerId));
      const kept = cell?.note ? `${cell.note} ${note}` : note;
      const covered = setCells(
        index,
        "Cover",
        [{ useId, playerId: out.playerId, fields: { note: kept.slice(0, 400) } }],
        makeId,
      );
      return batch("Let another player cover", [
        setMoves(body, { useId, playerId }, { endsEarly: ticks }, makeId),
        ...(covered.type === "batch" ? covered.commands : []),
      ]);
    }
    default:
      return assertNever(out);
  }
}
