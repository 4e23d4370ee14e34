import {
  describeSetting,
  EFFECT_IDS,
  EFFECTS,
  type EffectId,
  isAsked,
  SETTING_KEYS,
  type SettingKey,
  type SettingValue,
  settingOf,
  withUnit,
} from "../../song/schema";
import { isOn, PLAIN_SETTINGS, type Settings } from "./resolve";

/** One line of the ledger: a setting that is not as before. */
export type LedgerLine = {
  readonly key: SettingKey;
  readonly before: SettingValue;
  readonly now: SettingValue;
};

const EFFECT_OF: ReadonlyMap<SettingKey, EffectId> = new Map(
  EFFECT_IDS.flatMap((id) => EFFECTS[id].settings.map((key) => [key, id] as const)),
);

/** Whether a setting can be heard in a sound: that of an effect only while it is on. */
function isHeard(settings: Settings, key: SettingKey): boolean {
  const effect = EFFECT_OF.get(key);
  return isAsked(settings, key) && (effect === undefined || isOn(settings, effect));
}

/**
 * What changes from one sound to another. Settings of an effect that is off in both, or goes off, are left out.
 * @example differencesOf(PLAIN_SETTINGS, settingsOf(sounds, solo)) // => [{ key: "level", before: 0, now: 3 }]
 */
export function differencesOf(before: Settings, now: Settings): LedgerLine[] {
  return SETTING_KEYS.filter((key) => before[key] !== now[key] && isHeard(now, key)).map((key) => ({
    key,
    before: before[key],
    now: now[key],
  }));
}

/** Whether two sounds are heard as the same. */
export const areAlike = (a: Settings, b: Settings): boolean => differencesOf(a, b).length === 0;

/** A line of the ledger in words. @example describeLine({ key: "level", before: 3, now: 0 }) // => "3 dB quieter" */
export function describeLine({ key, before, now }: LedgerLine): string {
  const { words, kind } = settingOf(key);
  if (key === "level") {
    const by = Number(now) - Number(before);
    return `${Math.abs(by)} dB ${by > 0 ? "louder" : "quieter"}`;
  }
  if (kind === "number") {
    if (now === 0) return `no ${words.replace(/ stages$/u, "")}`;
    return `${words} ${Number(now) > Number(before) ? "up" : "down"} to ${withUnit(key, now)}`;
  }
  return describeSetting(key, now);
}

/** All that changes, in one sentence part; null where nothing does. */
export function describeDifferences(lines: readonly LedgerLine[]): string | null {
  return lines.length === 0 ? null : lines.map(describeLine).join(", ");
}

/** A sound told from the plain one. @example describeSound(settings) // => "drive stages 1, delay 1/8." */
export const describeSound = (settings: Settings): string =>
  differencesOf(PLAIN_SETTINGS, settings)
    .map(({ key, now }) => describeSetting(key, now))
    .join(", ") || "plain";
