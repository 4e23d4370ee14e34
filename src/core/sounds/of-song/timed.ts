import type { Tempo } from "../../rhythm";
import { DELAYS, type SettingKey } from "../../song/schema";
import { delayMs, longestNote } from "../delay";
import { isOn } from "../sound";
import type { SongTones, SoundUse } from "./song-sounds";

type DelayKey = keyof typeof DELAYS;
export const isDelay = (key: SettingKey): key is DelayKey => Object.hasOwn(DELAYS, key);

/** A setting that goes with the tempo, at the tempo of one section. */
export type TimedSetting = {
  readonly soundUse: SoundUse;
  readonly sound: string;
  readonly key: DelayKey | "tremolo" | "modulation.rate";
  /** The note value; null for a delay set by ms. */
  readonly note: string | null;
  readonly ms: number;
  readonly tempo: Tempo;
  /** Where the box can't give it: the longest note value it can, or null for none. */
  readonly tooLong: { readonly mostMs: number; readonly instead: string | null } | null;
};

const SWITCH: Readonly<Record<TimedSetting["key"], SettingKey>> = {
  delay: "delay",
  delay2: "delay2",
  tremolo: "tremolo",
  "modulation.rate": "modulation",
};

/** Every setting that goes with the tempo, once for each sound and tempo, in the order of the song. */
export function timedSettings(song: SongTones): TimedSetting[] {
  const found = new Map<string, TimedSetting>();
  for (const soundUse of song.soundUses) {
    const settings = song.settings.get(soundUse.sound ?? "");
    if (!settings || soundUse.sound === null) continue;
    const { tempo } = soundUse.span.passages[0]!;
    for (const key of Object.keys(SWITCH) as TimedSetting["key"][]) {
      if (!isOn(settings, SWITCH[key])) continue;
      const value = settings[key] as string;
      const timeBy = isDelay(key) ? DELAYS[key] : null;
      const byMs = timeBy !== null && value === "by ms";
      const ms = byMs ? Number(settings[timeBy]) : delayMs(tempo.bpm, tempo.beatUnit, value);
      const mostMs = timeBy === null ? null : song.box.longestDelayMs;
      const tooLong =
        mostMs !== null && ms > mostMs + 1e-6
          ? { mostMs, instead: longestNote(tempo.bpm, tempo.beatUnit, mostMs) }
          : null;
      const id = `${soundUse.sound} ${key} ${tempo.bpm} ${tempo.beatUnit}`;
      if (!found.has(id))
        found.set(id, {
          soundUse,
          sound: soundUse.sound,
          key,
          note: byMs ? null : value,
          ms,
          tempo,
          tooLong,
        });
    }
  }
  return [...found.values()];
}
