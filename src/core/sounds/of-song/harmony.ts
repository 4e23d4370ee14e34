import type { Midi, Ticks } from "../../../base";
import { type Chord, clashesWith, type SoundingChord } from "../../chord";
import { type Harmonised, type HarmonyInterval, harmonise, heardPitch } from "../../fretboard";
import { GUITAR_TUNING, type Key, parsePitch, parseTuning, pitchClassOf, scaleOfKey } from "../../pitch";
import type { Moment } from "../../song/moments";
import { namerByShift } from "../../song/names";
import { neckOfRiff, tuningOf } from "../../song/read";
import { HARMONY_INTERVALS, type HarmonyChoice, type VersionBody } from "../../song/schema";
import type { SongTones, SoundUse } from "./song-sounds";

/** A note of the player, with what the harmony effect adds and the chord under it. */
type HarmonyNote = {
  readonly tick: Ticks;
  readonly moment: Moment;
  readonly note: string;
  readonly harmony: string;
  readonly chord: string;
  /** Whether what the effect adds grates against the chord. */
  readonly clashes: boolean;
};

export type HarmonyView = {
  readonly soundUse: SoundUse;
  readonly choice: HarmonyChoice;
  readonly key: Key;
  /** Whether the notes are those of a written line; else the root of each chord stands for them. */
  readonly isLine: boolean;
  readonly notes: readonly HarmonyNote[];
  /** The same notes on two strings, without the effect. */
  readonly hand: Harmonised;
};

/** Where the root of a chord is taken when no line is written: the octave from middle C. */
const ROOT_OCTAVE: Midi = 60;
/** Notes that are shown of one section. */
const MOST_NOTES = 64;

const isSounding = (chord: Chord): chord is SoundingChord => chord.kind !== "none";

/** The harmony effect in each section whose sound has one, the first time the sound comes with those notes. */
export function harmonyViews(body: VersionBody, song: SongTones): HarmonyView[] {
  const namers = namerByShift(body);
  const seen = new Set<string>();
  return song.soundUses.flatMap((soundUse): HarmonyView[] => {
    const choice = song.settings.get(soundUse.sound ?? "")?.harmony as HarmonyChoice | undefined;
    const interval = choice === undefined ? null : HARMONY_INTERVALS[choice];
    const place = `${soundUse.sound} ${soundUse.span.use.sectionId} ${soundUse.span.use.shift}`;
    if (!interval || seen.has(place)) return [];
    seen.add(place);
    const passage = soundUse.span.passages[0]!;
    const namer = namers(passage.shift);
    const { key } = namer;
    const chords = passage.lines.flatMap(({ outline, events }) =>
      outline.chords.flatMap(({ chord: row }, at) => {
        const { chord } = namer.name(row.symbol);
        const { tick, ticks } = events[at]!;
        return chord && isSounding(chord) ? [{ tick, end: tick + ticks, chord }] : [];
      }),
    );
    const line = lineOf(soundUse, passage.tick + passage.section.pickup, passage.tick + passage.ticks);
    const played = (
      line ?? chords.map(({ tick, chord }) => ({ tick, midi: ROOT_OCTAVE + pitchClassOf(chord.root) }))
    ).slice(0, MOST_NOTES);
    if (played.length === 0) return [];
    const wanted: HarmonyInterval =
      "degrees" in interval ? { ...interval, key, scale: scaleOfKey(key) } : interval;
    const tuning = tuningOf(song.player);
    const guitar = parseTuning(GUITAR_TUNING);
    const hand = harmonise(played, {
      interval: wanted,
      tuning: tuning.length > 1 ? tuning : guitar.ok ? guitar.value : tuning,
      capo: soundUse.part.cell.capo.value,
    });
    const notes = played.map(({ tick }, at): HarmonyNote => {
      const [note, harmony] = hand.sounding[at]!;
      const under = chords.find((one) => one.tick <= tick && tick < one.end);
      const added = parsePitch(harmony);
      const clashes =
        under !== undefined && added.ok && clashesWith([added.value % 12], under.chord, key).length > 0;
      return {
        tick,
        moment: song.clock.momentAt(tick),
        note,
        harmony,
        chord: under?.chord.symbol ?? "",
        clashes,
      };
    });
    return [{ soundUse, choice: choice!, key, isLine: line !== null, notes, hand }];
  });
}

/** The pitches of the line a part plays, once through its section. */
function lineOf({ part }: SoundUse, from: Ticks, to: Ticks): { tick: Ticks; midi: Midi }[] | null {
  const { riff, notes } = part;
  if (!riff || notes.length === 0) return null;
  const neck = neckOfRiff(riff);
  const played: { tick: Ticks; midi: Midi }[] = [];
  for (let round = from; round < to && played.length < MOST_NOTES; round += riff.ticks)
    for (const note of notes) {
      const midi = heardPitch(note, neck);
      if (midi !== null && round + note.tick < to)
        played.push({ tick: round + note.tick, midi: Math.round(midi) });
    }
  return played.length === 0 ? null : played;
}

/** The substitutes of a route as tab, a column a note: one row a string, from the one nearest the floor. */
export function handTab(hand: Harmonised, strings: number): string[] {
  const columns = hand.substitutes.map((pairs, at) => {
    const pick = hand.route[at];
    const pair = pick === null || pick === undefined ? null : pairs[pick];
    const frets = Array.from(
      { length: strings },
      (_, string) => pair?.positions.find((position) => position.string === string)?.fret ?? null,
    );
    const width = Math.max(1, ...frets.map((fret) => String(fret ?? "-").length));
    return frets.map((fret) => String(fret ?? "-").padStart(width, "-"));
  });
  return Array.from({ length: strings }, (_, row) =>
    columns.map((column) => column[strings - 1 - row]!).join("--"),
  );
}
