import { fail, type Midi, modulo, ok, type Result } from "../../base";
import { type Key, nameInKey } from "./key";
import {
  alterOf,
  formatNoteName,
  type NoteName,
  nameOfPitchClass,
  pitchClassOf,
  readNoteNameHead,
} from "./note-name";

export type PitchProblem = { readonly code: "not-a-pitch"; readonly text: string };

/**
 * Reads a scientific pitch, C4 being middle C (MIDI 60, MIDI 1.0 specification).
 * @example parsePitch("E2") // => { ok: true, value: 40 }
 * @example parsePitch("Cb4") // => { ok: true, value: 59 }
 */
export function parsePitch(text: string): Result<Midi, PitchProblem> {
  const head = readNoteNameHead(text.trim());
  if (!head || !/^-?\d$/.test(head.rest)) return fail({ code: "not-a-pitch", text });
  const natural = modulo((head.name - 7 * alterOf(head.name)) * 7, 12);
  const midi = 12 * (Number(head.rest) + 1) + natural + alterOf(head.name);
  return midi >= 0 && midi <= 127 ? ok(midi) : fail({ code: "not-a-pitch", text });
}

/**
 * Writes a pitch as a key spells it.
 * @example formatPitchIn(63, A major) // => "D#4"
 */
export const formatPitchIn = (midi: Midi, key: Key): string =>
  formatPitch(midi, nameInKey(modulo(midi, 12), key));

/**
 * Writes a pitch, spelled as `name` when that name has its pitch class.
 * @example formatPitch(58, -2) // => "Bb3"
 * @example formatPitch(59, -7) // => "Cb4"
 */
export function formatPitch(midi: Midi, name?: NoteName): string {
  const pitchClass = modulo(midi, 12);
  const spelled =
    name !== undefined && pitchClassOf(name) === pitchClass ? name : nameOfPitchClass(pitchClass);
  const octave = Math.floor((midi - alterOf(spelled)) / 12) - 1;
  return formatNoteName(spelled) + octave;
}

/** The lowest pitch of a class that is not below another. @example pitchFrom(52, 0) // C from E3 on => 60 */
export const pitchFrom = (low: Midi, pitchClass: number): Midi => low + modulo(pitchClass - low, 12);
