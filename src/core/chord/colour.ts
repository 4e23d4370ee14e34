import { parseChord, type SoundingChord } from "./chord";
import { QUALITY_OF_SOUND, soundOf } from "./qualities";
import { toneSemitones } from "./tone";

/** Colours a player may be allowed to give a plain chord. A suspension replaces the third, the rest add a tone. */
export const COLOURS = ["sus2", "sus4", "add9", "6", "7", "maj7", "9"] as const;
export type Colour = (typeof COLOURS)[number];

const COLOUR_SEMITONES: Readonly<Record<Colour, readonly number[]>> = Object.freeze({
  sus2: [2],
  sus4: [5],
  add9: [2],
  "6": [9],
  "7": [10],
  maj7: [11],
  "9": [10, 2],
});

/**
 * A chord and every chord the allowed colours make of it, the plain one first. Only colours whose
 * result has a usual name are taken: a shape must be called by what it is.
 * @example coloured(C, ["sus2", "add9"]).map((chord) => chord.symbol) // => ["C", "Csus2", "Cadd9"]
 */
export function coloured(chord: SoundingChord, allow: readonly Colour[]): SoundingChord[] {
  const made = new Map<string, SoundingChord>([[soundOf(chord.tones.map(toneSemitones)), chord]]);
  for (let choice = 1; choice < 1 << allow.length; choice++) {
    const colours = allow.filter((_, index) => choice & (1 << index));
    if (colours.filter((colour) => colour.startsWith("sus")).length > 1) continue;
    const variant = withColours(chord, colours);
    if (variant) {
      const sound = soundOf(variant.tones.map(toneSemitones));
      if (!made.has(sound)) made.set(sound, variant);
    }
  }
  return [...made.values()];
}

function withColours(chord: SoundingChord, colours: readonly Colour[]): SoundingChord | null {
  const suspends = colours.some((colour) => colour.startsWith("sus"));
  const kept = chord.tones.filter((tone) => !(suspends && tone.degree <= 4 && tone.degree > 1));
  const sound = soundOf([
    ...kept.map(toneSemitones),
    ...colours.flatMap((colour) => COLOUR_SEMITONES[colour]),
  ]);
  const quality = QUALITY_OF_SOUND.get(sound);
  if (quality === undefined) return null;
  const rootText = chord.symbol.slice(0, chord.symbol.length - suffixLength(chord));
  const bassText = chord.bass === null ? "" : chord.symbol.slice(rootText.length + chord.quality.length);
  const variant = parseChord(rootText + quality + bassText);
  return variant.ok && variant.value.kind === "chord" ? variant.value : null;
}

/** How many characters of the symbol follow the root. */
function suffixLength(chord: SoundingChord): number {
  const accidental = /^[A-G](?:##|♯♯|bb|♭♭|#|♯|b|♭)?/u.exec(chord.symbol);
  return chord.symbol.length - (accidental?.[0].length ?? 1);
}
