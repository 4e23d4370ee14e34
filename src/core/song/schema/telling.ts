import type { TellValue } from "../../../document";
import { describeSemitones, formatPitch, realSigns } from "../../pitch";
import { beatsOfTicks, countBeats, formatBeats } from "../../rhythm";
import type { BarsSaid } from "./bars-said";
import { LIGHT_WORDS } from "./light";
import { describeSetting, isSettingKey } from "./sound-settings";

/** Ways values are told for people that are no plain number, word or sentence; chords and keys in letters. */

const unitOf = (body: Parameters<TellValue>[1]): string => {
  const [version] = Object.values(body.version ?? {});
  return String(version?.beatUnit ?? "1/4");
};

/** Ticks told as beats of the version they stand in. */
export const tellBeats: TellValue = (value, body) => countBeats(beatsOfTicks(Number(value), unitOf(body)));

/** Ticks from a place on, told as the beat they come to. @example "after 4 beats" */
export const tellPlace: TellValue = (value, body) =>
  Number(value) === 0 ? "at its begin" : `after ${tellBeats(value, body)}`;

/** An id of words with hyphens, or a key with dots. @example tellWords("open-strum") // => "open strum" */
export const tellWords: TellValue = (value) => String(value).replaceAll(/[-.]/gu, " ");

/** Chords and keys, with real accidentals. */
export const tellSymbol: TellValue = (value) => realSigns(String(value));

/** A range of pitches. @example tellRange([52, 64]) // => "E3 to E4" */
export const tellRange: TellValue = (value) =>
  (value as readonly number[]).map((midi) => realSigns(formatPitch(midi))).join(" to ");

export const tellTuning: TellValue = (value) => (value as readonly string[]).map(realSigns).join(" ");

/**
 * Bars of a section as they were said; a word is not named here, as its row is not known.
 * @example tellBarRanges([[0, 4], [6, 7]]) // => "bars 1–4, 7"; tellBarRanges([["half", 2]]) // => "the second half"
 */
export const tellBarRanges: TellValue = (value) => {
  const ranges = value as BarsSaid;
  if (ranges.length === 0) return "no bars";
  const numbered = ranges.flatMap((one) =>
    typeof one[0] === "number" ? [one as readonly [number, number]] : [],
  );
  const numbers = numbered.map(([from, to]) => (to === from + 1 ? `${to}` : `${from + 1}–${to}`)).join(", ");
  const words = ranges.flatMap((one) => (typeof one[0] === "number" ? [] : [barsInWords(one)]));
  const counted = numbers === "" ? [] : [`${/^\d+$/u.test(numbers) ? "bar" : "bars"} ${numbers}`];
  return [...counted, ...words].join(", ");
};

function barsInWords([how, what]: BarsSaid[number]): string {
  if (how === "half") return what === 1 ? "the first half" : "the second half";
  if (how === "from") return "from a word on";
  return `the ${how} ${what === 1 ? "bar" : `${what} bars`}`;
}

type Phrase = { readonly from: number; readonly to: number; readonly role: string };

/** Roles by phrase. @example "bars 1–4 carry, bars 5–8 out" */
export const tellPhrases: TellValue = (value, body) =>
  (value as readonly Phrase[])
    .map(({ from, to, role }) => `${tellBarRanges([[from, to]], body)} ${role}`)
    .join(", ") || "none";

/** Strings counted from the player's face: how many there are is not known here. @example tellStrings([2, 3]) // => "the 3rd, 4th string from the face" */
export const tellStrings: TellValue = (value) => {
  const strings = Array.isArray(value) ? (value as readonly number[]) : [Number(value)];
  return `the ${strings.map((string) => ordinal(string + 1)).join(", ")} string from the face`;
};

const ordinal = (count: number): string => ["1st", "2nd", "3rd"][count - 1] ?? `${count}th`;

type Timed = { readonly symbol: string; readonly ticks: number };

/** Chords with their beats, by the names somebody reads. @example "D 4, G 2" */
export const tellChordsBy =
  (nameOf: (symbol: string) => string): TellValue =>
  (value, body) =>
    (value as readonly Timed[])
      .map(
        ({ symbol, ticks }) =>
          `${realSigns(nameOf(symbol))} ${formatBeats(beatsOfTicks(ticks, unitOf(body)))}`,
      )
      .join(", ") || "none";

/** The same as they are written. */
export const tellChords: TellValue = tellChordsBy((symbol) => symbol);

type Wish = { readonly from: number; readonly to: number | null; readonly want: string };

/** What is wanted of a layer through a use. @example "on at its begin, off after 8 beats" */
export const tellWishes: TellValue = (value, body) =>
  (value as readonly Wish[]).map(({ from, want }) => `${want} ${tellPlace(from, body)}`).join(", ") || "off";

type Pedal = { readonly name: string };

/** Pedals by name, or by what they switch. */
export const tellPedals: TellValue = (value) =>
  (value as readonly (Partial<Pedal> & { readonly effect?: string })[])
    .map(({ name, effect }) => name ?? effect ?? "pedal")
    .join(", ") || "none";

/** Settings of a sound, each by its words. @example "drive stages 2, delay 1/8." */
export const tellSaid: TellValue = (value) =>
  Object.entries(value as Readonly<Record<string, number | string | boolean>>)
    .map(([key, one]) => tellSetting(key, one))
    .join(", ") || "nothing said";

/** A setting in words. */
const tellSetting = (key: string, value: number | string | boolean): string =>
  isSettingKey(key) ? describeSetting(key, value) : `${key} ${value}`;

type Move = { readonly setting: string; readonly value: number | string | boolean; readonly from: number };

/** Small moves inside a section. @example "guitar tone 8 of 10 after 4 beats" */
export const tellMoves: TellValue = (value, body) =>
  (value as readonly Move[])
    .map(({ setting, value: one, from }) => `${tellSetting(setting, one)} ${tellPlace(from, body)}`)
    .join(", ") || "none";

/** Things that are only counted. @example tellCount([{}, {}]) // => "2 of them" */
export const tellCount: TellValue = (value) => `${(value as readonly unknown[]).length} of them`;

/** Frets from the string nearest the face. @example tellFrets([null, 3, 2, 0, 1, 0]) // => "x 3 2 0 1 0" */
export const tellFrets: TellValue = (value) =>
  (value as readonly (number | string | null)[]).map((fret) => fret ?? "x").join(" ");

/** Semitones up or down. @example tellShift(2) // => "2 semitones up" */
export const tellShift: TellValue = (value) => {
  const by = Number(value);
  if (by === 0) return "as the song";
  return `${describeSemitones(Math.abs(by))} ${by > 0 ? "up" : "down"}`;
};

/** A track, slot or bank as people count it. @example tellFromOne(0) // => "1" */
export const tellFromOne: TellValue = (value) => String(Number(value) + 1);

/** Light in its words. @example tellLight(3) // => "3 bright" */
export const tellLight: TellValue = (value) => `${value} ${LIGHT_WORDS[Number(value)] ?? ""}`.trim();
