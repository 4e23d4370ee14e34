import { capital } from "../../base";
import { type NoteName, stringNames, type Tuning } from "../pitch";
import { describeList, FINGER_WORDS, ordinal } from "./finger-words";
import type { Fingering } from "./fingerings";
import type { Finger } from "./hand";

/**
 * A fingering as an instruction: a sentence a finger, the thumb first, with what it damps; then the open strings,
 * and those that are not struck. Frets count from the capo.
 * @param write how notes are written; in letters when left out
 * @example describeFingering(C x32010, standard)[1] // => "Ring finger: A string, 3rd fret; the same finger damps low E."
 */
export function describeFingering(
  fingering: Pick<Fingering, "frets" | "fingers" | "mutes">,
  tuning: Tuning,
  write?: (name: NoteName) => string,
): string[] {
  const { frets, fingers, mutes } = fingering;
  const names = stringNames(tuning, write);
  const dampedBy = (by: Finger | "thumb" | "not struck"): string[] =>
    mutes.filter((mute) => mute.by === by).map((mute) => names[mute.string]!);
  const sentences: string[] = [];
  for (const finger of ["T", 1, 2, 3, 4] as const) {
    const held = frets.flatMap((_, string) => (fingers[string] === finger ? [string] : []));
    if (held.length === 0) continue;
    const fret = `${ordinal(frets[held[0]!]!)} fret`;
    const where =
      held.length === 1
        ? `${names[held[0]!]} string, ${fret}`
        : `across from ${names[held[0]!]} to ${names[held.at(-1)!]}, ${fret}`;
    const damped = dampedBy(finger);
    const also = damped.length > 0 ? `; the same finger damps ${describeList(damped)}` : "";
    sentences.push(`${capital(FINGER_WORDS[finger])}: ${where}${also}.`);
  }
  const open = names.filter((_, string) => frets[string] === 0);
  if (open.length > 0) sentences.push(`Open: ${describeList(open)}.`);
  const byThumb = dampedBy("thumb");
  if (byThumb.length > 0) sentences.push(`The thumb’s side damps ${describeList(byThumb)}.`);
  const notStruck = dampedBy("not struck");
  if (notStruck.length > 0) sentences.push(`Not struck: ${describeList(notStruck)}.`);
  return sentences;
}
