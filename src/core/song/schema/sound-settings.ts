import { describeNote } from "../../rhythm";

/**
 * What can be said of a sound: one setting a line of the ledger. Numbers, ranges and words are ours; common practice, no
 * source.
 */
type SettingKind =
  | {
      readonly kind: "number";
      readonly least: number;
      readonly most: number;
      readonly step: number;
      readonly unit: string;
      readonly plain: number;
    }
  | { readonly kind: "choice"; readonly choices: readonly string[]; readonly plain: string }
  | { readonly kind: "flag"; readonly plain: boolean };

export type SettingValue = number | string | boolean;

type Setting = SettingKind & { readonly words: string };

const number = (
  words: string,
  least: number,
  most: number,
  unit: string,
  plain: number,
  step = 1,
): Setting => ({ kind: "number", words, least, most, step, unit, plain });
const choice = (words: string, choices: readonly string[]): Setting => ({
  kind: "choice",
  words,
  choices,
  plain: choices[0]!,
});
const flag = (words: string): Setting => ({ kind: "flag", words, plain: false });

/** Note values for what goes with the tempo; "off" first. */
const TIMED_NOTES = Object.freeze([
  "off",
  "1/1",
  "1/2.",
  "1/2",
  "1/4.",
  "1/4",
  "1/8.",
  "1/4t",
  "1/8",
  "1/8t",
  "1/16",
] as const);

/**
 * Above or below what is played: degrees of the key's scale; or a fixed interval, always so many semitones, whatever the key.
 */
export const HARMONY_INTERVALS = Object.freeze({
  off: null,
  "second above": { degrees: 1 },
  "second below": { degrees: -1 },
  "third above": { degrees: 2 },
  "third below": { degrees: -2 },
  "fourth above": { degrees: 3 },
  "fourth below": { degrees: -3 },
  "fifth above": { degrees: 4 },
  "fifth below": { degrees: -4 },
  "sixth above": { degrees: 5 },
  "sixth below": { degrees: -5 },
  "seventh above": { degrees: 6 },
  "seventh below": { degrees: -6 },
  "octave above": { semitones: 12 },
  "octave below": { semitones: -12 },
  "minor second above, fixed": { semitones: 1 },
  "minor second below, fixed": { semitones: -1 },
  "major second above, fixed": { semitones: 2 },
  "major second below, fixed": { semitones: -2 },
  "minor third above, fixed": { semitones: 3 },
  "minor third below, fixed": { semitones: -3 },
  "major third above, fixed": { semitones: 4 },
  "major third below, fixed": { semitones: -4 },
  "fourth above, fixed": { semitones: 5 },
  "fourth below, fixed": { semitones: -5 },
  "tritone above, fixed": { semitones: 6 },
  "tritone below, fixed": { semitones: -6 },
  "fifth above, fixed": { semitones: 7 },
  "fifth below, fixed": { semitones: -7 },
  "minor sixth above, fixed": { semitones: 8 },
  "minor sixth below, fixed": { semitones: -8 },
  "major sixth above, fixed": { semitones: 9 },
  "major sixth below, fixed": { semitones: -9 },
  "minor seventh above, fixed": { semitones: 10 },
  "minor seventh below, fixed": { semitones: -10 },
  "major seventh above, fixed": { semitones: 11 },
  "major seventh below, fixed": { semitones: -11 },
} as const);
export type HarmonyChoice = keyof typeof HARMONY_INTERVALS;

const SOUND_SETTINGS = Object.freeze({
  level: number("level", -24, 12, "dB", 0),
  boost: flag("boost"),
  "boost.level": number("boost by", 0, 12, "dB", 3),
  drive: number("drive stages", 0, 3, "", 0),
  "drive.amount": number("drive amount", 0, 10, "of 10", 4),
  drive2: number("second drive stages", 0, 3, "", 0),
  "drive2.amount": number("second drive amount", 0, 10, "of 10", 4),
  squeeze: flag("compressor"),
  wah: flag("wah"),
  "wah.place": number("wah, heel to toe", 0, 10, "of 10", 5),
  octave: choice("octave", ["off", "one down", "two down", "one up"]),
  "octave.mix": number("octave mix", 0, 100, "%", 50, 5),
  harmony: choice("harmony", Object.keys(HARMONY_INTERVALS)),
  "harmony.mix": number("harmony mix", 0, 100, "%", 50, 5),
  modulation: choice("modulation", ["off", "chorus", "phaser", "vibrato", "rotating"]),
  "modulation.rate": choice("modulation, one turn a", TIMED_NOTES.slice(1)),
  "modulation.depth": number("modulation depth", 0, 100, "%", 40, 5),
  tremolo: choice("tremolo, one beat a", TIMED_NOTES),
  "tremolo.depth": number("tremolo depth", 0, 100, "%", 50, 5),
  delay: choice("delay", [...TIMED_NOTES, "by ms"]),
  "delay.ms": number("delay time", 1, 4000, "ms", 400),
  "delay.repeats": number("delay repeats", 1, 20, "", 3),
  "delay.mix": number("delay mix", 0, 100, "%", 30, 5),
  delay2: choice("second delay", [...TIMED_NOTES, "by ms"]),
  "delay2.ms": number("second delay time", 1, 4000, "ms", 400),
  "delay2.repeats": number("second delay repeats", 1, 20, "", 3),
  "delay2.mix": number("second delay mix", 0, 100, "%", 30, 5),
  reverb: choice("reverb", ["off", "room", "hall", "plate", "spring"]),
  "reverb.mix": number("reverb mix", 0, 100, "%", 25, 5),
  pedal: number("volume pedal", 0, 10, "of 10", 10),
  pickup: choice("pickup", [
    "as it is",
    "neck",
    "neck and middle",
    "middle",
    "middle and bridge",
    "bridge",
    "both",
  ]),
  tone: number("guitar tone", 0, 10, "of 10", 10),
  volume: number("guitar volume", 0, 10, "of 10", 10),
  hand: choice("played with", ["plectrum", "fingers", "thumb"]),
  damped: flag("palm mute"),
} satisfies Record<string, Setting>);
export type SettingKey = keyof typeof SOUND_SETTINGS;
export const SETTING_KEYS = Object.freeze(Object.keys(SOUND_SETTINGS) as SettingKey[]);

export const settingOf = (key: SettingKey): Setting => SOUND_SETTINGS[key];
export const isSettingKey = (text: string): text is SettingKey => Object.hasOwn(SOUND_SETTINGS, text);

/** What a value of a setting should be, or null where it is right. */
export function settingFault(key: string, value: unknown): string | null {
  if (!isSettingKey(key)) return `holds ${JSON.stringify(key.slice(0, 40))}, which is no setting of a sound`;
  const setting = settingOf(key);
  switch (setting.kind) {
    case "flag":
      return typeof value === "boolean" ? null : `should say on or off of ${setting.words}`;
    case "choice":
      return typeof value === "string" && setting.choices.includes(value)
        ? null
        : `should have one of ${setting.choices.join(", ")} as ${setting.words}`;
    case "number":
      return typeof value === "number" && value >= setting.least && value <= setting.most
        ? null
        : `should have from ${setting.least} to ${setting.most}${setting.unit === "" ? "" : ` ${setting.unit}`} as ${setting.words}`;
  }
}

/** A value with its unit. @example withUnit("tone", 4) // => "4 of 10" */
export const withUnit = (key: SettingKey, value: SettingValue): string => {
  const setting = settingOf(key);
  const unit = setting.kind === "number" && setting.unit !== "" ? ` ${setting.unit}` : "";
  const text = typeof value === "string" && value.startsWith("1/") ? describeNote(value) : String(value);
  return `${text}${unit}`;
};

/** A value in words. @example describeSetting("tone", 4) // => "guitar tone 4 of 10" */
export function describeSetting(key: SettingKey, value: SettingValue): string {
  const { words, kind } = settingOf(key);
  if (kind === "flag") return value === true ? words : `no ${words}`;
  if (kind === "choice" && value === "off") return `no ${words.replace(/, one .*$/u, "")}`;
  if (key === "level") return `level ${Number(value) > 0 ? "+" : ""}${value} dB`;
  return `${words} ${withUnit(key, value)}`;
}

/** What is switched by one pedal on the floor, and what else is set of it; in the order of the signal. */
export const EFFECTS = Object.freeze({
  squeeze: { words: "compressor", settings: [] },
  wah: { words: "wah", settings: ["wah.place"] },
  octave: { words: "octave", settings: ["octave.mix"] },
  harmony: { words: "harmony", settings: ["harmony.mix"] },
  drive: { words: "drive", settings: ["drive.amount"] },
  drive2: { words: "second drive", settings: ["drive2.amount"] },
  boost: { words: "boost", settings: ["boost.level"] },
  modulation: { words: "modulation", settings: ["modulation.rate", "modulation.depth"] },
  tremolo: { words: "tremolo", settings: ["tremolo.depth"] },
  delay: { words: "delay", settings: ["delay.ms", "delay.repeats", "delay.mix"] },
  delay2: { words: "second delay", settings: ["delay2.ms", "delay2.repeats", "delay2.mix"] },
  reverb: { words: "reverb", settings: ["reverb.mix"] },
} as const satisfies Partial<Record<SettingKey, { words: string; settings: readonly SettingKey[] }>>);
export type EffectId = keyof typeof EFFECTS;
export const EFFECT_IDS = Object.freeze(Object.keys(EFFECTS) as EffectId[]);

/** The delays a sound may have at once, each with the setting that holds its time by ms. */
export const DELAYS = Object.freeze({ delay: "delay.ms", delay2: "delay2.ms" } as const satisfies Partial<
  Record<EffectId, SettingKey>
>);

/** Whether a setting of an effect counts: a time by ms only where the delay goes by ms. */
export const isAsked = (settings: Readonly<Record<SettingKey, SettingValue>>, key: SettingKey): boolean =>
  (Object.keys(DELAYS) as (keyof typeof DELAYS)[]).every(
    (delay) => DELAYS[delay] !== key || settings[delay] === "by ms",
  );

/** What is set at the guitar, by the hands, and over all. */
export const GUITAR_SETTINGS = ["pickup", "tone", "volume"] as const satisfies readonly SettingKey[];
export const HAND_SETTINGS = ["hand", "damped"] as const satisfies readonly SettingKey[];
export const OVERALL_SETTINGS = ["level", "pedal"] as const satisfies readonly SettingKey[];

/** What a foot or a hand may change while a sound is on. */
export const MOVED_SETTINGS = [
  "level",
  "boost",
  "wah",
  "wah.place",
  "pedal",
  "tone",
  "volume",
  "drive.amount",
  "drive2.amount",
  "delay.mix",
  "delay2.mix",
  "reverb.mix",
  "damped",
] as const satisfies readonly SettingKey[];
