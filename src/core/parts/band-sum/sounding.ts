import type { Midi, Ticks } from "../../../base";
import { parseChord, pitchClassesOf, type SoundingChord } from "../../chord";
import { type Frets, pitchesOfFrets, stoppedPitch } from "../../fretboard";
import { pitchClassOf, pitchFrom } from "../../pitch";
import { hasStrings, neckOfRiff, tuningOf } from "../../song/read";
import { playsInBar, type SheetPart } from "../band";

/** A chord held by an instrument without strings: each tone once, as close as can be, from the low end of its register. */
export function closeVoicing(chord: SoundingChord, low: Midi): Midi[] {
  const root = pitchClassOf(chord.root);
  return pitchClassesOf({ ...chord, bass: null })
    .map((one) => pitchFrom(low, one))
    .sort((a, b) => a - b || root - b);
}

/**
 * What a part sounds at a moment: the note of its line that is sounding, else the shape it holds, else a close
 * voicing; nothing where it is out, a voice or a drum.
 * @param tick from the start of the section
 * @param frets the shape held for the chord, or null
 */
export function pitchesOfPart(
  part: SheetPart,
  tick: Ticks,
  bar: number,
  chord: SoundingChord,
  frets: Frets | null,
): Midi[] {
  const { player, cell } = part;
  if (!playsInBar(part, bar) || player.instrument === "drums" || player.instrument === "voice") return [];
  const lined = lineAt(part, tick);
  const strums = part.pattern !== null || part.riff === null;
  if (!strums) return lined;
  if (!hasStrings(player)) {
    if (part.low === null) return lined;
    if (cell.role.value === "bass") return [pitchFrom(part.low, pitchClassOf(chord.bass ?? chord.root))];
    return closeVoicing(chord, part.low);
  }
  const held = frets ? pitchesOfFrets(frets, tuningOf(player), cell.capo.value) : [];
  return [...new Set([...held, ...lined])];
}

function lineAt({ riff, notes }: SheetPart, tick: Ticks): Midi[] {
  if (!riff || notes.length === 0) return [];
  const neck = neckOfRiff(riff);
  const at = tick % riff.ticks;
  return notes.flatMap((note) => {
    if (note.art === "dead" || note.tick > at || note.tick + note.ticks <= at) return [];
    return stoppedPitch(note, neck) ?? [];
  });
}

/** A chord that sounds, or null for N.C. and what can't be read. */
export function soundingChord(symbol: string): SoundingChord | null {
  const read = parseChord(symbol);
  return read.ok && read.value.kind === "chord" ? read.value : null;
}
