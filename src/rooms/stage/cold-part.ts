import type { Cue } from "@/core/cues";
import { boxForHand, type NeckPlace, pentatonicBoxes } from "@/core/fretboard";
import {
  bandSheet,
  comesBack,
  fittingNotes,
  joinCold,
  leaveTo,
  type OneChord,
  planRequest,
  planShapes,
  type SungChords,
  sungChords,
  tellCounted,
  withGuest,
} from "@/core/parts";
import { tellBars } from "@/core/song/moments";
import { Namer, type NamesChoice, namerByShift, readerBy } from "@/core/song/names";
import { outlineOf, timelineOf, tuningOf } from "@/core/song/read";
import type { Player, VersionBody } from "@/core/song/schema";
import type { StagePart, StageSheet } from "@/core/stage";
import { describePercent } from "@/ui/pretty";
import { stagePart } from "./stage-sheets";

/** A place on the neck where single notes fit, with their names. */
export type ColdBox = {
  readonly scale: string;
  readonly from: number;
  readonly to: number;
  readonly places: readonly (NeckPlace & { readonly label: string })[];
};

/** A chord that can be played alone, and how much of the song it is. */
type OfferedChord = { readonly symbol: string; readonly name: string; readonly share: number };

/** The part of somebody who joins cold: a part like any other, in which only one or two chords are theirs. */
export type ColdPart = {
  readonly part: StagePart;
  /** Every chord of the song, the most useful first. */
  readonly offered: readonly OfferedChord[];
  /** As they sound. */
  readonly chosen: readonly string[];
  /** Notes that fit nearly everywhere, in words. */
  readonly fits: readonly string[];
  /** Up the neck. */
  readonly boxes: readonly ColdBox[];
  /** Which of them suits the hand. */
  readonly suits: number;
  readonly strings: readonly string[];
};

export type ColdAsked = {
  /** The chords to play, as they sound; the most useful one when left out. */
  readonly chords?: readonly string[];
  /** How many, where none are chosen. */
  readonly count?: 1 | 2;
};

/** What is said where none of the chords comes. */
const NOTHING_HERE = "none of your chords here: rest, or keep the strum on damped strings";
const BETWEEN: Readonly<Record<string, string>> = {
  guitar: "between, keep the strum on damped strings",
  bass: "its root on the one; between, let it ring or damp it",
};

/**
 * The part of a guest: chords other than the chosen ones are left unnamed over the words, each section says when the chosen
 * ones come back and what to leave to whom.
 */
export function coldPart(
  body: VersionBody,
  guest: Player,
  choice: NamesChoice,
  { chords, count = 1, cues = [] }: ColdAsked & { readonly cues?: readonly Cue[] } = {},
): ColdPart {
  const whole = withGuest(body, guest);
  const plan = planShapes(planRequest(whole, guest));
  const { passages } = timelineOf(body, outlineOf(body));
  const namerAt = namerByShift(body);
  const sections = passages.map((passage) =>
    sungChords(passage, (symbol) => namerAt(passage.shift).name(symbol).sounding),
  );
  const all = joinCold(plan, sections);
  const asked = all.filter(({ symbol }) => chords?.includes(symbol));
  const chosen = asked.length > 0 ? asked : all.slice(0, count);
  const reader = readerBy(choice, body, { player: guest, capo: guest.capo });
  const namer = new Namer(body, reader);
  const key = namer.soundingKey;
  const boxes = pentatonicBoxes(key, { tuning: tuningOf(guest), capo: guest.capo });
  const suiting = boxForHand(boxes, guest.level);
  const part = stagePart(whole, guest, cues, choice);
  const rows = new Map(bandSheet(body).rows.map((row) => [row.use.id, row]));
  const fits = fittingNotes(plan, key).map(
    ({ pitchClass, share, rubs }) =>
      `${namer.noteOf(pitchClass)}, a tone of the chord in ${describePercent(share)} of the song${rubs > 0 ? `, a rub in ${describePercent(rubs)}` : ""}`,
  );
  const sheets = part.sheets.map((sheet, at) => {
    const passage = passages[at]!;
    const row = rows.get(passage.use.id);
    const here = new Namer(body, reader, passage.shift);
    const told = (one: OneChord) => here.readSounding(one.symbol);
    return onlyThese(sheet, sections[at]!, chosen, told, [
      BETWEEN[guest.instrument] ?? "",
      row ? leaveTo(row) : "",
    ]);
  });
  return {
    part: { ...part, sheets },
    offered: all.map(({ symbol, share }) => ({ symbol, name: namer.readSounding(symbol), share })),
    chosen: chosen.map(({ symbol }) => symbol),
    fits,
    boxes: boxes.map(({ scale, from, to, places }) => ({
      scale,
      from,
      to,
      places: places.map((place) => ({ ...place, label: namer.noteNamed(place.note) })),
    })),
    suits: Math.max(0, suiting ? boxes.indexOf(suiting) : 0),
    strings: namer.strings(),
  };
}

/** A sheet in which only some chords are named and shown. */
function onlyThese(
  sheet: StageSheet,
  chords: SungChords,
  chosen: readonly OneChord[],
  nameOf: (one: OneChord) => string,
  more: readonly string[],
): StageSheet {
  const names = new Set(chosen.map(nameOf));
  const others = sheet.lines.flatMap(({ pieces }) =>
    pieces.flatMap(({ name }) => (name === null || names.has(name) ? [] : [name])),
  );
  const lines = sheet.lines.map((line) => ({
    ...line,
    pieces: line.pieces.map((piece) => (names.has(piece.name ?? "") ? piece : { ...piece, name: null })),
  }));
  const isHere = lines.some(({ pieces }) => pieces.some(({ name }) => name !== null));
  return {
    ...sheet,
    lines,
    shapes: sheet.shapes.filter(({ name }) => names.has(name)),
    // What is told of a chord that is not theirs is nothing to them.
    drawn: sheet.drawn.filter((words) => !others.some((name) => words.startsWith(`${name} `))),
    note: isHere ? "" : NOTHING_HERE,
    how: [
      ...(isHere ? chosen.flatMap((one) => whenBack(chords, one, nameOf(one), sheet.label)) : []),
      ...(isHere ? more : more.slice(1)),
    ].filter((words) => words !== ""),
    line: null,
  };
}

/** When a chord comes back in a section: counted among the others, or by bars. */
function whenBack(chords: SungChords, one: OneChord, name: string, label: string): string[] {
  const back = comesBack(chords, one.symbol);
  if (!back) return [];
  const bars = tellBars([...back.bars].sort((a, b) => a - b).join(", "), label);
  return [`only ${name}, ${back.counted ? `${tellCounted(back.counted)} (${bars})` : bars}`];
}
