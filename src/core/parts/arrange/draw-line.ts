import { modulo, type Ticks } from "../../../base";
import { parseChord } from "../../chord";
import {
  bassLine,
  chordLine,
  degreeLine,
  inOrder,
  type LineNeck,
  PLAIN_NOTE,
  type TabNote,
} from "../../fretboard";
import { GUITAR_TUNING, parseTuning, pitchClassOf } from "../../pitch";
import { beatUnitOf, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import { notesOfRiff } from "../../song/read";
import type { Player, VersionBody } from "../../song/schema";
import type { SheetPart, SheetRow } from "../band";
import { chordsOfRow, scaleOfRow } from "../section-chords";
import { scaleMmOf } from "../shapes";
import type { ArrangeCell } from "./case";
import { HIGH_FRET } from "./cells";
import { IDEAS, ideaOf } from "./ideas";

type LineBody = Pick<VersionBody, "version" | "riffNotes">;

/** A line drawn up for an idea, on the neck it is written for. */
export type DrawnLine = {
  readonly notes: readonly TabNote[];
  readonly tuning: readonly string[];
  readonly capo: number;
  readonly ticks: number;
  readonly more?: { readonly way: "on each root"; readonly home: string };
};

/** The line an idea is, from the chords of a use; null where it is none, or the neck has no place for it. */
export function drawnUp(
  body: Pick<VersionBody, "version">,
  row: SheetRow,
  player: Player,
  cell: Pick<ArrangeCell, "line" | "strings" | "low" | "high">,
): DrawnLine | null {
  const strings = player.tuning.length > 0 ? player.tuning : GUITAR_TUNING;
  const tuning = parseTuning(strings);
  const chords = chordsOfRow(body, row);
  const [first] = chords;
  if (!cell.line || !tuning.ok || !first) return null;
  const part = row.parts.find((one) => one.player.id === player.id);
  const capo = part?.cell.capo.value ?? player.capo;
  const beat = ticksOfBeatUnit(beatUnitOf(row.passage.meter))!;
  const options = { neck: { tuning: tuning.value, capo }, scaleMm: scaleMmOf(player), level: player.level };
  const own = { capo, tuning: [...strings] };
  const whole = { ...own, ticks: row.passage.ticks };
  switch (cell.line.kind) {
    case "bass": {
      const notes = bassLine(chords, cell.line.way, beat, scaleOfRow(body, row).scale, options);
      return notes && { ...whole, notes };
    }
    case "voice": {
      const { low, high } = cell;
      if (low === null || high === null) return null;
      const range = [low, high] as const;
      const line = degreeLine(
        chords.map(({ chord }) => chord),
        { tuning: tuning.value, range, allowed: ["1", "3", "5"] },
      );
      if (!line.ok) return null;
      const notes = line.value.notes.flatMap(({ string, fret }, at): TabNote[] => {
        const { tick, ticks } = chords[at]!;
        return string === null || fret === null ? [] : [{ ...PLAIN_NOTE, tick, ticks, string, fret }];
      });
      return { ...whole, capo: 0, notes };
    }
    case "lick": {
      const lick = rootLick(first.symbol, cell, options.neck, beat);
      const more = lick && { way: "on each root" as const, home: lick.home };
      return lick && more && { ...own, notes: lick.notes, ticks: 2 * beat, more };
    }
    default: {
      const each =
        cell.line.each === "bar" ? ticksOfBar(row.passage.meter) : cell.line.each === "beat" ? beat : null;
      const line = chordLine(chords, cell.line.kind, {
        ...options,
        each,
        about: HIGH_FRET,
        strings: cell.strings,
      });
      return line && { ...whole, notes: line.notes };
    }
  }
}

/** A lick of root, fifth and octave by turns, in eighths, where the hand has it on three strings. Ours. */
function rootLick(
  symbol: string,
  { strings }: Pick<ArrangeCell, "strings">,
  { tuning, capo }: LineNeck,
  beat: Ticks,
): { readonly notes: readonly TabNote[]; readonly home: string } | null {
  const read = parseChord(symbol);
  const low = strings[0];
  if (!read.ok || read.value.kind === "none" || low === undefined) return null;
  const open = (string: number) => tuning[string]! + capo;
  const root = open(low) + modulo(pitchClassOf(read.value.root) - open(low), 12);
  const spots = [0, 7, 12].map((up, at) => ({ string: low + at, fret: root + up - open(low + at) }));
  if (spots.some(({ string, fret }) => string >= tuning.length || fret < 0)) return null;
  const each = Math.round(beat / 2);
  const order = [0, 1, 2, 1] as const;
  return {
    home: symbol,
    notes: order.map((spot, at) => ({ ...PLAIN_NOTE, ...spots[spot]!, tick: at * each, ticks: each })),
  };
}

/** What a line is called that is drawn up for an idea. */
export const nameOfDrawn = (idea: string, label: string): string =>
  `${ideaOf(idea)?.words ?? idea}, ${label}`.slice(0, 80);

/**
 * Whether a part's line is one that was drawn up for an idea, and has stayed as it was: another may stand in its place. A
 * line that somebody has changed since is theirs.
 */
export function isDrawnUp(body: LineBody, row: SheetRow, { riff, player, cell }: SheetPart): boolean {
  const idea = IDEAS.find(
    ({ instrument, line, words }) =>
      instrument === player.instrument && line !== undefined && riff?.name.startsWith(`${words}, `),
  );
  if (!riff || !idea?.line) return false;
  // What a voice sings has no strings to change it on.
  if (idea.line.kind === "voice") return true;
  const strings = cell.strings.value ?? [];
  const drawn = drawnUp(body, row, player, { line: idea.line, strings, low: null, high: null });
  return drawn !== null && areAlike(drawn.notes, notesOfRiff(body, riff.id));
}

/** Whether two lines are the same notes in the same places. */
export function areAlike(a: readonly TabNote[], b: readonly TabNote[]): boolean {
  const [ours, theirs] = [inOrder(a), inOrder(b)];
  return (
    ours.length === theirs.length &&
    ours.every(({ tick, ticks, string, fret }, at) => {
      const other = theirs[at]!;
      return tick === other.tick && ticks === other.ticks && string === other.string && fret === other.fret;
    })
  );
}
