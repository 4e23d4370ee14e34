import {
  SETTING_KEYS,
  type SettingKey,
  type SettingValue,
  type Sound,
  settingOf,
  type VersionBody,
} from "../../song/schema";

/** A sound with nothing left open. */
export type Settings = Readonly<Record<SettingKey, SettingValue>>;

/** What a sound is of which nothing is said. */
export const PLAIN_SETTINGS: Settings = Object.freeze(
  Object.fromEntries(SETTING_KEYS.map((key) => [key, settingOf(key).plain])) as Record<
    SettingKey,
    SettingValue
  >,
);

/** The sounds a sound starts from, the nearest first; a circle is cut where it closes. */
function basesOf(sounds: VersionBody["sounds"], sound: Sound): Sound[] {
  const bases: Sound[] = [];
  let next = sound.fromId === null ? undefined : sounds[sound.fromId];
  while (next && next.id !== sound.id && !bases.includes(next)) {
    bases.push(next);
    next = next.fromId === null ? undefined : sounds[next.fromId];
  }
  return bases;
}

/**
 * Every setting of a sound: what it says itself, else what the sound it starts from has, else as plain as can be.
 * @example settingsOf(sounds, solo).level // => -3
 */
export function settingsOf(sounds: VersionBody["sounds"], sound: Sound): Settings {
  const said = [...basesOf(sounds, sound).toReversed(), sound].map((one) => one.said);
  return Object.assign({}, PLAIN_SETTINGS, ...said) as Settings;
}

const numberOf = (settings: Settings, key: SettingKey): number => settings[key] as number;

/** Whether something is switched on: a flag set, a choice that is not its first, a number above 0. */
export function isOn(settings: Settings, key: SettingKey): boolean {
  const value = settings[key];
  if (typeof value === "boolean") return value;
  return typeof value === "number" ? value > 0 : value !== settingOf(key).plain;
}

/** Whether something of a sound rings on when the foot leaves it. */
export const hasTails = (settings: Settings): boolean =>
  isOn(settings, "delay") || isOn(settings, "delay2") || isOn(settings, "reverb");

/** How much louder than the plain sound it is, dB. */
export const loudness = (settings: Settings): number =>
  numberOf(settings, "level") + (isOn(settings, "boost") ? numberOf(settings, "boost.level") : 0);
