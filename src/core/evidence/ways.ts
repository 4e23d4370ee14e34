import { byOrder, type MakeId } from "../../document";
import { heardPitch, inOrder, type TabNote } from "../fretboard";
import { beatUnitOf, ticksOfBeatUnit } from "../rhythm";
import { batch, set, type VersionCommand } from "../song/edit";
import { meterOf, neckOfRiff, notesOfRiff } from "../song/read";
import type { Riff, Variant, VersionBody } from "../song/schema";

/** One way of playing a thing: as recorded, as played live, made easy. */
export type Way<Row> = {
  readonly row: Row;
  readonly variant: Variant | null;
  /** What a hand does a beat; see {@link lineWork}. */
  readonly work: number;
  /** How much of the way as it was recorded it keeps, 0 to 1. */
  readonly faithfulness: number;
};

/** Ways of one thing, with the cells of the sheet that play one of them. */
export type WaysOf<Row> = {
  readonly ways: readonly Way<Row>[];
  readonly cells: readonly { readonly id: string; readonly useId: string; readonly playerId: string }[];
};

/** Frets a hand reaches without moving. */
const HAND = 3;
/** What crossing to another string, and moving the hand, count beside a note. Ours, no source. */
const CROSSING = 0.25;
const MOVING = 1;

/**
 * What a hand does in a line, a beat: each note 1, each change of string a quarter, each time it leaves its four frets 1
 * more. Ours, no source: it orders ways of one line, and says nothing of other lines.
 * @example four notes on one string within four frets in four beats // => 1
 */
export function lineWork(notes: readonly TabNote[], beats: number): number {
  let [work, low] = [0, null as number | null];
  for (const [at, note] of inOrder([...notes]).entries()) {
    const before = notes[at - 1];
    work += 1 + (before && before.string !== note.string ? CROSSING : 0);
    if (note.fret === 0) continue;
    if (low !== null && (note.fret < low || note.fret > low + HAND)) work += MOVING;
    if (low === null || note.fret < low) low = note.fret;
    else if (note.fret > low + HAND) low = note.fret - HAND;
  }
  return beats > 0 ? work / beats : 0;
}

/** What of one line sounds in another: notes that begin together at the same pitch, of all notes of both; 0 to 1. */
function faithfulnessOf(
  kept: readonly TabNote[],
  neck: ReturnType<typeof neckOfRiff>,
  recorded: readonly TabNote[],
  recordedNeck: ReturnType<typeof neckOfRiff>,
): number {
  const signs = (notes: readonly TabNote[], on: typeof neck) =>
    notes.map((note) => `${note.tick} ${heardPitch(note, on) ?? "dead"}`);
  const left = signs(recorded, recordedNeck);
  const total = left.length + kept.length;
  if (total === 0) return 1;
  let both = 0;
  for (const sign of signs(kept, neck)) {
    const at = left.indexOf(sign);
    if (at < 0) continue;
    left.splice(at, 1);
    both++;
  }
  return (2 * both) / total;
}

/** A row and the rows that say they are other ways of it, by the first of them; only those of two ways and more. */
export function groupsOfWays<Row extends { id: string; order: string; variantOf: string | null }>(
  rows: Readonly<Record<string, Row>>,
): Row[][] {
  const rootOf = (row: Row): string => {
    const seen = new Set<string>();
    let now = row;
    while (now.variantOf !== null && rows[now.variantOf] && !seen.has(now.id)) {
      seen.add(now.id);
      now = rows[now.variantOf]!;
    }
    return now.id;
  };
  const groups = new Map<string, Row[]>();
  for (const row of Object.values(rows).sort(byOrder))
    groups.set(rootOf(row), [...(groups.get(rootOf(row)) ?? []), row]);
  return [...groups.values()].filter((group) => group.length > 1);
}

/** Lines that there are several ways of, with ease and faithfulness to the one that was recorded. */
export function lineWays(
  body: Pick<VersionBody, "version" | "riffs" | "riffNotes" | "cells">,
): readonly WaysOf<Riff>[] {
  const beat = ticksOfBeatUnit(beatUnitOf(meterOf(body))) ?? 960;
  return groupsOfWays(body.riffs).map((group) => {
    const recorded = group.find(({ variant }) => variant === "recorded") ?? group[0]!;
    const original = notesOfRiff(body, recorded.id);
    const ids = new Set(group.map(({ id }) => id));
    return {
      ways: group.map((row): Way<Riff> => {
        const notes = notesOfRiff(body, row.id);
        return {
          row,
          variant: row.variant,
          work: lineWork(notes, row.ticks / beat),
          faithfulness: faithfulnessOf(notes, neckOfRiff(row), original, neckOfRiff(recorded)),
        };
      }),
      cells: Object.values(body.cells).filter(({ riffId }) => riffId !== null && ids.has(riffId)),
    };
  });
}

/** Plays one way of a line wherever one of its ways is played. */
export const playWay = (ways: WaysOf<Riff>, riffId: string): VersionCommand =>
  batch(
    "Play a line another way",
    ways.cells.map(({ id }) => set("cells", id, { riffId })),
  );

/** A copy of a line with its notes, to be made another way of it. */
export function anotherWay(body: VersionBody, riff: Riff, variant: Variant, makeId: MakeId): VersionCommand {
  const id = makeId();
  const name = `${riff.name}, ${variant}`.slice(0, 80);
  const row = { ...riff, id, originId: null, name, variant, variantOf: riff.id, order: `${riff.order}V` };
  return batch("Make another way of a line", [
    { type: "add", table: "riffs", row },
    ...notesOfRiff(body, riff.id).map(
      (note) => ({ type: "add", table: "riffNotes", row: { ...note, id: makeId(), riffId: id } }) as const,
    ),
  ]);
}
