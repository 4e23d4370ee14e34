import type { Midi, Semitones, Ticks } from "../../../base";
import { inOrder, rangeOfLine, type TabNote } from "../../fretboard";
import { type Key, scaleClasses, scaleOfKey } from "../../pitch";
import { type Pattern, ticksOfBar } from "../../rhythm";
import { Namer, PLAIN_READER } from "../../song/names";
import {
  barsAt,
  type CellIndex,
  gridOnsets,
  hasStrings,
  isOut,
  keysOf,
  neckOfRiff,
  type Passage,
  type ResolvedCell,
  resolveCell,
  stringsOfPart,
  type Technique,
  techniqueOf,
  tuningOf,
} from "../../song/read";
import type { Player, Riff, Role, Use, VersionBody } from "../../song/schema";
import { type LineSpan, lineSpans } from "./line-place";
import { followedLine, keyMove, type LineFollow } from "./moved-line";
import { chordsOfPassage, type SectionChord } from "./passage-chords";
import { onsetsInBar, patternOfRow } from "./pattern-of";
import { isOnRoots, lineOnRoots } from "./root-line";
import { writtenTime } from "./written-time";

/** What one player does at one use of a section, as far as it can be told without choosing shapes. */
export type SheetPart = {
  readonly use: Use;
  readonly player: Player;
  readonly cell: ResolvedCell;
  readonly out: boolean;
  readonly technique: Technique | null;
  readonly pattern: Pattern | null;
  /** The pattern of chords of half a bar or less, where those have their own. */
  readonly shortPattern: Pattern | null;
  /** The pattern of the last beats before a chord changes, where there is one. */
  readonly fillPattern: Pattern | null;
  /** The line as it is played here: on the player's neck, and as much higher as the section sounds. */
  readonly riff: Riff | null;
  readonly notes: readonly TabNote[];
  /** How it follows into this section; null where it is played as it was written. */
  readonly follow: LineFollow | null;
  /** Chords, as they sound, in which a lick set on each root has no place on the neck. */
  readonly left: readonly string[];
  /** What a line sounds over: the section's chords, and the pitch classes of its scale; null without a line. */
  readonly under: LineUnder | null;
  /** Where its line is played the first time through the section; nowhere without one. */
  readonly spans: readonly LineSpan[];
  /** Ticks in one bar where something begins to sound; empty when out, and where nothing is said of the rhythm. */
  readonly onsets: readonly Ticks[];
  /** The register, as it sounds; null without pitch, or out. */
  readonly low: Midi | null;
  readonly high: Midi | null;
  /** Whether the rhythm is said on the sheet, and not only usual; a free one is not. */
  readonly isSaid: boolean;
};

/** Instruments without strings have a register of their own by role; MIDI. Ours, no source. */
const KEYS_REGISTER: Readonly<Record<Role, readonly [Midi, Midi] | null>> = Object.freeze({
  carry: [55, 76],
  support: [55, 74],
  line: [67, 84],
  bass: [36, 50],
  out: null,
});
/** How far above its open string a hand usually goes on the string nearest the floor. */
const USUAL_REACH = 5;

/** The chords of a section, from its begin as it is written, and the pitch classes of its scale. */
type LineUnder = {
  readonly chords: readonly SectionChord[];
  readonly key: Key;
  readonly scale: ReadonlySet<number>;
};

const NOWHERE: readonly string[] = [];
const NO_LINE = Object.freeze({
  riff: null,
  notes: [] as readonly TabNote[],
  follow: null,
  left: NOWHERE,
});

/** What is read of the document once for all parts. */
export type PartSource = {
  readonly index: CellIndex;
  readonly strums: ReadonlyMap<string, Pattern | null>;
  readonly notesOf: ReadonlyMap<string, readonly TabNote[]>;
  /** How much higher than it was written a line sounds at a use. */
  readonly lineMove: (riff: Riff, use: Use) => Semitones;
};

/** Patterns and lines of a version by id. */
export function partSource(
  body: Pick<VersionBody, "version" | "players" | "strums" | "riffNotes">,
  index: CellIndex,
  form: readonly Use[],
): PartSource {
  const strums = new Map(Object.values(body.strums).map((row) => [row.id, patternOfRow(row)]));
  const notesOf = new Map<string, TabNote[]>();
  for (const note of Object.values(body.riffNotes)) {
    const list = notesOf.get(note.riffId);
    if (list) list.push(note);
    else notesOf.set(note.riffId, [note]);
  }
  const { sounding } = keysOf(body);
  const homes = new Map<string, Semitones>();
  const players = Object.values(body.players);
  /** How much the first section is raised in which somebody plays a line. */
  const firstShift = (riffId: string): Semitones => {
    const known = homes.get(riffId);
    if (known !== undefined) return known;
    const first = form.find((use) =>
      players.some((player) => resolveCell(index, use, player).riffId.value === riffId),
    );
    homes.set(riffId, first?.shift ?? 0);
    return first?.shift ?? 0;
  };
  return {
    index,
    strums,
    notesOf: new Map([...notesOf].map(([id, notes]) => [id, inOrder(notes)])),
    lineMove: (riff, use) =>
      use.shift - (riff.homeShift ?? firstShift(riff.id)) + keyMove(riff.homeKey, sounding),
  };
}

/** The part of a player at a use. @param sung what is sung there as it sounds, or null */
export function sheetPart(
  body: Pick<VersionBody, "riffs" | "version">,
  source: PartSource,
  use: Use,
  player: Player,
  passage: Passage,
  sung: readonly [Midi, Midi] | null,
): SheetPart {
  const { meter } = passage;
  const cell = resolveCell(source.index, use, player);
  const out = isOut(cell);
  const technique = cell.technique.value ? techniqueOf(cell.technique.value) : null;
  const patternOf = (id: string | null) => (id === null ? null : (source.strums.get(id) ?? null));
  const pattern = patternOf(cell.strumId.value);
  const shortPattern = pattern && patternOf(cell.shortStrumId.value);
  const fillPattern = pattern && patternOf(cell.fillStrumId.value);
  const written = cell.riffId.value ? (body.riffs[cell.riffId.value] ?? null) : null;
  const { riff, notes, follow, left } = written
    ? playedLine(body, source, written, { use, player, cell, passage })
    : NO_LINE;
  const spans = riff ? lineSpans(cell, passage, isOnRoots(riff)) : [];
  const base = {
    use,
    player,
    cell,
    out,
    technique,
    pattern,
    shortPattern,
    fillPattern,
    riff,
    notes,
    follow,
    left,
    under: riff ? underOf(body, passage) : null,
    spans,
  };
  if (out) return { ...base, onsets: [], low: null, high: null, isSaid: false };
  const bar = ticksOfBar(meter);
  const struck = pattern ? onsetsInBar(pattern, meter) : null;
  const lined =
    notes.length > 0 ? [...new Set(notes.map((note) => note.tick % bar))].sort((a, b) => a - b) : null;
  const onsets = struck ?? lined ?? (technique ? gridOnsets(technique.grid, meter) : []);
  const register = registerOf(base, sung);
  return {
    ...base,
    onsets,
    low: register?.[0] ?? null,
    high: register?.[1] ?? null,
    isSaid: pattern ? !pattern.free : lined !== null || technique !== null,
  };
}

function underOf(body: Pick<VersionBody, "version">, passage: Passage): LineUnder {
  const written = writtenTime(passage);
  const { key } = new Namer(body, PLAIN_READER, passage.shift);
  return {
    chords: chordsOfPassage(body, passage).map((chord) => {
      const tick = written(chord.tick);
      return { ...chord, tick, ticks: written(chord.tick + chord.ticks) - tick };
    }),
    key,
    scale: new Set(scaleClasses(key.tonic, scaleOfKey(key))),
  };
}

/** A line as it is played in a cell: moved as a whole, or set on each chord's root. */
function playedLine(
  body: Pick<VersionBody, "version">,
  source: PartSource,
  written: Riff,
  { use, player, cell, passage }: Pick<SheetPart, "use" | "player" | "cell"> & { readonly passage: Passage },
): Pick<SheetPart, "notes" | "follow" | "left"> & { readonly riff: Riff } {
  const notes = source.notesOf.get(written.id) ?? [];
  const capo = cell.capo.value;
  if (isOnRoots(written)) {
    const set = lineOnRoots(body, written, notes, player, capo, passage);
    const neck = hasStrings(player) ? { tuning: [...player.tuning], capo } : {};
    // A section without chords is as long as it is: a line is never of no length.
    return {
      riff: { ...written, ...neck, ticks: Math.max(1, set.ticks) },
      notes: set.notes,
      follow: null,
      left: set.left,
    };
  }
  const by = source.lineMove(written, use);
  return { ...followedLine(written, notes, player, capo, by, cell.lineWay.value), left: NOWHERE };
}

function registerOf(
  {
    player,
    cell,
    technique,
    riff,
    notes,
    pattern,
  }: Pick<SheetPart, "player" | "cell" | "technique" | "riff" | "notes" | "pattern">,
  sung: readonly [Midi, Midi] | null,
): readonly [Midi, Midi] | null {
  if (player.instrument === "drums") return null;
  if (player.instrument === "voice") return sung;
  if (!hasStrings(player)) return KEYS_REGISTER[cell.role.value];
  if (riff && !pattern && notes.length > 0) {
    const range = rangeOfLine(notes, neckOfRiff(riff));
    if (range) return [Math.floor(range.low), Math.ceil(range.high)];
  }
  const tuning = tuningOf(player);
  const strings =
    cell.strings.value?.filter((string) => string < tuning.length) ??
    stringsOfPart(technique?.strings[0] ?? (cell.style.value === "bass" ? "low two" : "all"), tuning.length);
  if (strings.length === 0) return null;
  const open = strings.map((string) => tuning[string]! + cell.capo.value);
  const low = Math.min(...open);
  return [low, Math.min(low + (technique?.span ?? 24), Math.max(...open) + USUAL_REACH)];
}

/** Whether a player plays in a bar of a section, or in part of it; bars and rounds counted from 0. */
export const playsInBar = (part: Pick<SheetPart, "cell" | "out">, bar: number, round = 0): boolean =>
  !part.out && (barsAt(part.cell, round)?.some(([from, to]) => bar + 1 > from && bar < to) ?? true);

/** The role in a bar: by phrase where one is said. */
export const roleInBar = (part: Pick<SheetPart, "cell" | "out">, bar: number): Role =>
  part.out
    ? "out"
    : (part.cell.phrases.value.find(({ from, to }) => bar >= from && bar < to)?.role ?? part.cell.role.value);

/** Whether a whole hand or a plectrum sweeps the strings. */
export const sweeps = (part: SheetPart): boolean =>
  !part.out &&
  (part.pattern
    ? part.pattern.strokes.some((stroke) => stroke.kind === "down" || stroke.kind === "up")
    : part.technique?.sweeps === true);

/** Whether a part is a line and nothing else: it holds no chords. */
export const isOnlyLine = (part: Pick<SheetPart, "riff" | "pattern" | "technique">): boolean =>
  part.riff !== null && part.pattern === null && part.technique?.sweeps !== true;

/** Whether fingers pick. */
export const picks = (part: SheetPart): boolean =>
  !part.out &&
  (part.pattern
    ? part.pattern.strokes.some((stroke) => stroke.kind === "fingers")
    : part.cell.technique.value === "picking");
