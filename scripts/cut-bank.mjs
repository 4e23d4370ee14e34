/**
 * Cuts the bank of sounds the program ships from the whole of FluidR3Mono (MIT; Debian package fluidr3mono-gm-soundfont):
 *
 *   node --import tsx scripts/cut-bank.mjs /usr/share/fluidr3mono-gm-soundfont/FluidR3Mono_GM.sf3
 *
 * Kept are the voices of `src/performance/sound/voices.ts` and what of the kit a small stage has. Samples stay as they are packed.
 */
import { writeFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { VOICES } from "../src/performance/sound/voices.ts";
import { centsOff, readBank, renderNote } from "./lib/heard.mjs";

const OUT = path.join(path.dirname(fileURLToPath(import.meta.url)), "..", "public", "sounds.sf3");
const MOST_BYTES = 4 * 1024 * 1024;

/** Programs as General MIDI numbers them, from 0. */
const KEPT = new Set(Object.values(VOICES).map(({ program }) => program));
/** Keys of the kit: click and sticks, kick, rim, snare, clap, toms, hats, crash, ride, tambourine, hand drums, shakers. */
const KIT_KEYS = new Set([
  31, 33, 34, 35, 36, 37, 38, 39, 40, 41, 42, 43, 44, 45, 46, 47, 48, 49, 50, 51, 54, 60, 61, 62, 63, 64, 69,
  70, 82,
]);

/** A note is listened to at this velocity. */
const VELOCITY = 85;

const holds = ({ min, max }, value) => value >= Math.max(0, min) && value <= max;

/** The sample a note of a preset sounds by, where it is one alone. */
function sampleOf(preset, key) {
  const found = preset.zones.flatMap(({ keyRange, instrument }) =>
    instrument && holds(keyRange, key)
      ? instrument.zones.filter((zone) => holds(zone.keyRange, key) && holds(zone.velRange, VELOCITY))
      : [],
  );
  const samples = new Set(found.map(({ sample }) => sample));
  return samples.size === 1 ? [...samples][0] : null;
}

/** A note is in tune when it is no farther off, cents. */
const IN_TUNE = 5;

/** Where notes of a sample are off by so many cents each: the correction after which the fewest are out of tune. */
function bestCentre(cents) {
  const sorted = [...cents].sort((a, b) => a - b);
  const least = sorted[0];
  const most = sorted.at(-1);
  const tried = Array.from({ length: Math.ceil(most - least) + 1 }, (_, at) => least + at);
  const out = (centre) => sorted.filter((one) => Math.abs(one - centre) > IN_TUNE).length;
  const middle = sorted[Math.floor(sorted.length / 2)];
  return tried.reduce((best, centre) => {
    const better = out(centre) - out(best) || Math.abs(centre - middle) - Math.abs(best - middle);
    return better < 0 ? centre : best;
  }, middle);
}

/** Corrects each sample by how far the notes it sounds are off, in cents: some of the recordings are a third of a semitone sharp. */
async function tune(bank) {
  const off = new Map();
  for (const preset of bank.presets.filter((one) => !one.isGMGSDrum))
    for (let key = 28; key <= 96; key++) {
      const sample = sampleOf(preset, key);
      const cents = sample && centsOff(await renderNote(bank, preset.program, key, VELOCITY), key);
      if (cents === null) continue;
      off.set(sample, [...(off.get(sample) ?? []), cents]);
    }
  for (const [sample, all] of off) sample.pitchCorrection -= Math.round(bestCentre(all));
}

const [source] = process.argv.slice(2);
if (!source) {
  console.error("Say where FluidR3Mono_GM.sf3 is: node --import tsx scripts/cut-bank.mjs <file>");
  process.exit(2);
}
const bank = readBank(source);
const isKit = (preset) => preset.isGMGSDrum && preset.program === 0;
for (const preset of [...bank.presets]) {
  const isKept = preset.isGMGSDrum ? isKit(preset) : preset.bankMSB === 0 && KEPT.has(preset.program);
  if (!isKept) bank.deletePreset(preset);
}
for (const zone of bank.presets.find(isKit).zones) {
  const { instrument } = zone;
  for (let index = (instrument?.zones.length ?? 0) - 1; index >= 0; index--) {
    const { keyRange } = instrument.zones[index];
    if (![...KIT_KEYS].some((key) => holds(keyRange, key))) instrument.deleteZone(index, true);
  }
}
bank.removeUnusedElements();
await tune(bank);
const out = Buffer.from(await bank.writeSF2({ compress: false, decompress: false }));
if (out.byteLength > MOST_BYTES) {
  console.error(
    `The bank has ${out.byteLength} bytes; at most ${MOST_BYTES} are wanted. Nothing was written.`,
  );
  process.exit(1);
}
writeFileSync(OUT, out);
console.log(
  `${(out.byteLength / 1024 / 1024).toFixed(2)} MiB, ${bank.samples.length} samples: ${bank.presets.map(({ name }) => name).join(", ")}`,
);
