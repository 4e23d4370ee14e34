import { readFileSync } from "node:fs";
import { PitchDetector } from "pitchy";
import { SoundBankLoader, SpessaSynthProcessor } from "spessasynth_core";

export const RATE = 44_100;
const BLOCK = 128;
/** A note is listened to these long after it was struck, s: the noise of the stroke is over, and slow beats even out. */
const FROM_S = [0.04, 0.12, 0.2, 0.3, 0.4, 0.5, 0.6];
/** Softer than this it is over. */
const LEAST_LEVEL = 1e-3;
/** Periods that must lie in what is listened to, at least. */
const LEAST_PERIODS = 6;
const LEAST_SAMPLES = 2048;
const SURE = 0.9;

/** Reads a bank of sounds. */
export function readBank(file) {
  const { buffer, byteOffset, byteLength } = readFileSync(file);
  return SoundBankLoader.fromArrayBuffer(buffer.slice(byteOffset, byteOffset + byteLength));
}

/** A synthesizer that has a bank, without effects. */
export async function openSynth(bank) {
  const synth = new SpessaSynthProcessor(RATE, { effectsEnabled: false });
  await synth.processorInitialized;
  synth.soundBankManager.addSoundBank(bank, "bank");
  return synth;
}

/** The frequency of a key in equal temperament, A4 = 440 Hz (ISO 16). */
const hzOfKey = (key) => 440 * 2 ** ((key - 69) / 12);

/** One note of a program of a bank, rendered without effects; a second unless told otherwise. @returns the left channel */
export async function renderNote(bank, program, key, velocity, seconds = 1) {
  const synth = await openSynth(bank);
  synth.programChange(0, program);
  synth.noteOn(0, key, velocity);
  const length = Math.round(RATE * seconds);
  const [left, right] = [new Float32Array(length), new Float32Array(length)];
  for (let at = 0; at < length; at += BLOCK) synth.process(left, right, at, Math.min(BLOCK, length - at));
  return left;
}

/** How far what sounds is off from a key, cents, at most half an octave: the middle of what is heard while it lasts; null where nothing is sure. */
export function centsOff(sound, key) {
  const wanted = hzOfKey(key);
  let size = LEAST_SAMPLES;
  while (size < (LEAST_PERIODS * RATE) / wanted) size *= 2;
  const detector = PitchDetector.forFloat32Array(size);
  const heard = FROM_S.flatMap((second) => {
    const from = Math.round(second * RATE);
    const part = sound.subarray(from, from + size);
    if (part.length < size || part.every((value) => Math.abs(value) < LEAST_LEVEL)) return [];
    const [hz, clarity] = detector.findPitch(part, RATE);
    const octaves = Math.log2(hz / wanted);
    return clarity >= SURE && Math.abs(octaves) < 0.5 ? [1200 * octaves] : [];
  }).sort((a, b) => a - b);
  return heard[Math.floor(heard.length / 2)] ?? null;
}
