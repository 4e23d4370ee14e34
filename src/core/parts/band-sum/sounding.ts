import type { Midi, Ticks } from "../../../base";
import { parseChord, pitchClassesOf, type SoundingChord } from "../../chord";
import { type Frets, pitchesOfFrets, stoppedPitch } from "../../fretboard";
import { pitchClassOf, pitchFrom } from "../../pitch";
import { hasStrings, neckOfRiff, tuningOf } from "../../song/read";
import { lineRounds, playsInBar, type SheetPart } from "../band";
import type { Voice } from "./judge-sum";

/** A chord held by an instrument without strings: each tone once, as close as can be, from the low end of its register. */
export function closeVoicing(chord: SoundingChord, low: Midi): Midi[] {
  const root = pitchClassOf(chord.root);
  return pitchClassesOf({ ...chord, bass: null })
    .map((one) => pitchFrom(low, one))
    .sort((a, b) => a - b || root - b);
}

/** A stretch of a section, in ticks from its begin. */
export type Span = { readonly from: Ticks; readonly to: Ticks };

/**
 * What a part sounds under a chord: the notes of its line there, as a phrase; else the shape it holds, else a close
 * voicing; nothing where it is out, a voice or a drum.
 * @param under where the chord sounds
 * @param bar a bar of it, from 0: the part may leave some out
 * @param frets the shape held for the chord, or null
 */
export function voicesOfPart(
  part: SheetPart,
  under: Span,
  bar: number,
  chord: SoundingChord,
  frets: Frets | null,
): Voice[] {
  const { player, cell } = part;
  if (!playsInBar(part, bar) || player.instrument === "drums" || player.instrument === "voice") return [];
  const lined = phraseUnder(part, under);
  const held = (pitches: readonly Midi[]) => pitches.map((pitch): Voice => ({ pitch, playerId: player.id }));
  const strums = part.pattern !== null || part.riff === null;
  if (!strums) return lined;
  if (!hasStrings(player)) {
    if (part.low === null) return lined;
    if (cell.role.value === "bass")
      return held([pitchFrom(part.low, pitchClassOf(chord.bass ?? chord.root))]);
    return held(closeVoicing(chord, part.low));
  }
  const shape = frets ? pitchesOfFrets(frets, tuningOf(player), cell.capo.value) : [];
  return [...held([...new Set(shape)]), ...lined.filter(({ pitch }) => !shape.includes(pitch))];
}

/** A note of a phrase counts like one that is held from such a share of its chord on. Ours, no source. */
const HELD_SHARE = 0.5;

/**
 * A line under a chord as one phrase: its first note there and what it stays on are held, the others are passing.
 * Each pitch once.
 */
function phraseUnder({ riff, notes, player, spans, cell }: SheetPart, { from, to }: Span): Voice[] {
  if (!riff || notes.length === 0 || to <= from) return [];
  const neck = neckOfRiff(riff);
  const heard: { readonly pitch: Midi; readonly begins: Ticks; readonly ticks: Ticks }[] = [];
  const rounds = spans.flatMap((span) => lineRounds(span, riff.ticks, cell.lineFill.value));
  for (const round of rounds)
    for (const note of notes) {
      const written = round.begins + note.tick;
      if (written < round.from || written >= round.to) continue;
      const begins = Math.max(from, written);
      const ends = Math.min(to, written + note.ticks);
      const pitch = note.art === "dead" ? null : stoppedPitch(note, neck);
      if (pitch !== null && ends > begins) heard.push({ pitch, begins, ticks: ends - begins });
    }
  const first = Math.min(...heard.map(({ begins }) => begins));
  return [...new Set(heard.map(({ pitch }) => pitch))].map((pitch): Voice => {
    const own = heard.filter((one) => one.pitch === pitch);
    const share = own.reduce((sum, { ticks }) => sum + ticks, 0) / (to - from);
    const isHeld = share >= HELD_SHARE || own.some(({ begins }) => begins === first);
    return { pitch, playerId: player.id, ...(isHeld ? {} : { passing: true }) };
  });
}

/** A chord that sounds, or null for N.C. and what can't be read. */
export function soundingChord(symbol: string): SoundingChord | null {
  const read = parseChord(symbol);
  return read.ok && read.value.kind === "chord" ? read.value : null;
}
