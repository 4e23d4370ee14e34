import { formatKey } from "../pitch";
import type { LineSum } from "../rhythm";
import {
  indexCells,
  Namer,
  outlineOf,
  type Passage,
  type Player,
  passageSum,
  type ResolvedCell,
  resolveCell,
  type TimedLine,
  timelineOf,
  tuningOf,
  type VersionBody,
} from "../song";
import { easiestFingerings, type Shape, shapeAt } from "./shapes";

/** A chord in a player's own names with the shape they hold. `name` is what they read. */
export type PartChord = {
  readonly name: string;
  readonly sounding: string;
  readonly readable: boolean;
  readonly shape: Shape | null;
};

/** What one player does the one time through a section. */
export type PartPassage = {
  readonly passage: Passage;
  readonly cell: ResolvedCell;
  /** The key of the names read here: the shape key behind the capo. */
  readonly key: string;
  readonly lines: readonly { readonly timed: TimedLine; readonly sum: LineSum | undefined }[];
  /** By written symbol: each chord of the passage once, in the order met. */
  readonly chords: ReadonlyMap<string, PartChord>;
};

export type PlayerPart = { readonly player: Player; readonly passages: readonly PartPassage[] };

/**
 * One player's whole part: the form played out, each passage in the names and shapes of the capo that
 * stands there. A guitar reads shapes; a bass reads what sounds.
 */
export function playerPart(body: VersionBody, player: Player): PlayerPart {
  const outline = outlineOf(body);
  const index = indexCells(body, outline);
  const easiest = easiestFingerings();
  const namers = new Map<string, Namer>();
  const namerAt = (capo: number, shift: number): Namer => {
    const key = `${capo} ${shift}`;
    const reader = { tuning: tuningOf(player), capo, readsShapes: player.instrument === "guitar" };
    const namer = namers.get(key) ?? new Namer(body, reader, shift);
    namers.set(key, namer);
    return namer;
  };
  const timeline = timelineOf(body, outline).passages;
  const passages = timeline.map((passage, at): PartPassage => {
    const cell = resolveCell(index, passage.use, player);
    const namer = namerAt(cell.capo.value, passage.shift);
    const sum = passageSum(passage, timeline[at + 1]);
    const chords = new Map<string, PartChord>();
    for (const { outline: line } of passage.lines) {
      for (const { chord } of line.chords) {
        if (chords.has(chord.symbol)) continue;
        const named = namer.name(chord.symbol);
        const request = {
          symbol: named.sounding,
          tuning: player.tuning,
          capo: cell.capo.value,
          level: player.level,
          style: cell.style.value,
        };
        const spot = { ...request, playerId: player.id, useId: passage.use.id, chordId: chord.id };
        const { chord: sounding } = named;
        const found = sounding ? shapeAt(body, spot, () => easiest({ ...request, chord: sounding })) : null;
        chords.set(chord.symbol, {
          name: named.shape,
          sounding: named.sounding,
          readable: sounding !== null,
          shape: found?.shape ?? null,
        });
      }
    }
    const lines = passage.lines.map((timed, line) => ({ timed, sum: sum.lines[line] }));
    return { passage, cell, key: formatKey(namer.key), lines, chords };
  });
  return { player, passages };
}
