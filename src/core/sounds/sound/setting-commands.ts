import type { MakeId } from "../../../document";
import { add, batch, freshName, orderAtEnd, remove, set, type VersionCommand } from "../../song/edit";
import type { SettingKey, SettingValue, Sound, VersionBody } from "../../song/schema";
import { settingsOf } from "./resolve";

/** The sounds of a player in their order. */
export const soundsOf = (body: Pick<VersionBody, "sounds">, playerId: string): Sound[] =>
  Object.values(body.sounds)
    .filter((sound) => sound.playerId === playerId)
    .sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : 1));

/** The sound a part names, or none where it is not described. */
export const soundNamed = (body: Pick<VersionBody, "sounds">, playerId: string, name: string): Sound | null =>
  soundsOf(body, playerId).find((sound) => sound.name === name) ?? null;

/**
 * Adds a sound of a player, plain or starting from another.
 * @param id the row's, so that the caller can open it
 */
export function addSound(
  body: Pick<VersionBody, "sounds">,
  playerId: string,
  given: { readonly id: string; readonly name: string; readonly fromId?: string | null },
) {
  const taken = soundsOf(body, playerId).map(({ name }) => name);
  return add("sounds", {
    id: given.id,
    originId: null,
    order: orderAtEnd(Object.values(body.sounds)),
    playerId,
    name: freshName((given.name.trim() || "New sound").slice(0, 70), taken),
    fromId: given.fromId ?? null,
    said: {},
    note: "",
  });
}

/** Sets one setting of a sound; a value the sound it starts from has anyway is not written down. */
export function setSetting(
  sounds: VersionBody["sounds"],
  sound: Sound,
  key: SettingKey,
  value: SettingValue,
): VersionCommand {
  const { [key]: _old, ...rest } = sound.said as Record<string, SettingValue>;
  const inherited = settingsOf(sounds, { ...sound, said: rest })[key];
  return set("sounds", sound.id, { said: inherited === value ? rest : { ...rest, [key]: value } });
}

/** Lets a sound start from another, or from none; what it says itself stays. A circle is refused. */
export function setBase(
  sounds: VersionBody["sounds"],
  sound: Sound,
  fromId: string | null,
): VersionCommand | null {
  for (let next = fromId; next !== null; next = sounds[next]?.fromId ?? null)
    if (next === sound.id) return null;
  return set("sounds", sound.id, { fromId });
}

/** Where a sound is named: parts of the sheet, pins, saved slots. */
function namings(body: VersionBody, sound: Sound) {
  const own = <Row extends { readonly playerId: string }>(rows: Readonly<Record<string, Row>>) =>
    Object.values(rows).filter((row) => row.playerId === sound.playerId);
  return {
    cells: own(body.cells).filter((cell) => cell.sound === sound.name),
    pins: own(body.slotPins).filter((pin) => pin.sound === sound.name),
    saves: own(body.slotSaves).filter((save) => save.sound === sound.name),
  };
}

/** Gives a sound another name, everywhere it is named. Null where another sound has that name, or it is empty. */
export function renameSound(body: VersionBody, sound: Sound, name: string): VersionCommand | null {
  const wanted = name.trim();
  if (wanted === "" || (wanted !== sound.name && soundNamed(body, sound.playerId, wanted))) return null;
  const { cells, pins, saves } = namings(body, sound);
  return batch("Rename a sound", [
    set("sounds", sound.id, { name: wanted }),
    ...cells.map((cell) => set("cells", cell.id, { sound: wanted })),
    ...pins.map((pin) => set("slotPins", pin.id, { sound: wanted })),
    ...saves.map((save) => set("slotSaves", save.id, { sound: wanted })),
  ]);
}

/** How many parts of the sheet name a sound. */
export const usesOfSound = (body: VersionBody, sound: Sound): number => namings(body, sound).cells.length;

/**
 * Removes a sound. Sounds that start from it keep all it gave them. Parts that name it take another one, or none.
 * @param insteadName the sound those parts take; null leaves them the name, which is then not described
 */
export function removeSound(body: VersionBody, sound: Sound, insteadName: string | null): VersionCommand {
  const { cells, pins } = namings(body, sound);
  const heirs = Object.values(body.sounds).filter((one) => one.fromId === sound.id);
  return batch("Remove a sound", [
    ...heirs.map((one) =>
      set("sounds", one.id, { fromId: sound.fromId, said: { ...sound.said, ...one.said } }),
    ),
    ...(insteadName === null ? [] : cells.map((cell) => set("cells", cell.id, { sound: insteadName }))),
    ...pins.map((pin) => remove("slotPins", pin)),
    remove("sounds", sound),
  ]);
}

/** Describes every sound the sheet names and nobody has described. */
export function describeNamed(
  body: Pick<VersionBody, "sounds">,
  playerId: string,
  names: readonly string[],
  makeId: MakeId,
): VersionCommand {
  let order = orderAtEnd(Object.values(body.sounds));
  const rows = names.map((name) => {
    const row = { id: makeId(), originId: null, order, playerId, name, fromId: null, said: {}, note: "" };
    order = orderAtEnd([row]);
    return add("sounds", row);
  });
  return batch("Describe sounds", rows);
}
