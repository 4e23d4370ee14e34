import { modulo } from "../../../base";
import { fitsOf, heardPitch, type LineProblem, lineProblems } from "../../fretboard";
import { formatNoteName, nameInKey } from "../../pitch";
import { beatUnitOf, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import { neckOfRiff } from "../../song/read";
import {
  barsOfTicks,
  isOnRoots,
  type LineFollow,
  placedNotes,
  playsInBar,
  type SheetPart,
  type SheetRow,
} from "../band";
import type { Fix, SheetFinding } from "./sheet-finding";

/** Everything that may go wrong with the lines of a row, where they sound: raised, moved, set on roots. */
export const lineFindings = (row: SheetRow): SheetFinding[] =>
  row.parts.flatMap((part) => [
    ...movedFinding(row, part),
    ...leftFinding(row, part),
    ...cantFinding(row, part),
    ...outsideFinding(row, part),
  ]);

type Kind = SheetFinding["kind"];
const at = (kind: Kind, row: SheetRow, { player }: SheetPart) => ({
  id: `${kind} ${row.use.id} ${player.id}`,
  useId: row.use.id,
  label: row.label,
  players: [player.name],
  playerIds: [player.id],
});

/** A line that can't stay on its strings where it sounds otherwise: how it is played is to be chosen. */
function movedFinding(row: SheetRow, part: SheetPart): SheetFinding[] {
  const { follow, riff, out } = part;
  if (out || !follow || !riff || follow.isSettled) return [];
  return [
    {
      kind: "line-moved",
      ...at("line-moved", row, part),
      line: riff.name,
      by: follow.by,
      lost: follow.ways[0]!.lost,
      fixes: fixesOf(row, part, follow),
    },
  ];
}

const fixesOf = (row: SheetRow, { player }: SheetPart, follow: LineFollow): Fix[] =>
  follow.ways.flatMap((way): Fix[] => {
    const fields =
      way.how === "capo"
        ? { capo: way.capo! }
        : way.how === "re-fingered"
          ? { lineWay: "re-fingered" as const }
          : null;
    if (!fields) return [];
    const code = { do: "line-way" as const, player: player.name, ...way };
    const { notes: _notes, ...told } = code;
    return [{ code: told, cells: [{ useId: row.use.id, playerId: player.id, fields }] }];
  });

/** A lick set on each root that some chord of the section has no place for. */
function leftFinding(row: SheetRow, part: SheetPart): SheetFinding[] {
  const { left, riff, out } = part;
  if (out || !riff || left.length === 0) return [];
  return [{ kind: "line-left", ...at("line-left", row, part), line: riff.name, chords: left, fixes: [] }];
}

/** What a length can't be matters where it is written; what was set on roots is cut by the chords. */
const ONLY_WRITTEN: ReadonlySet<LineProblem["code"]> = new Set(["whole-bars", "past-end", "overlap"]);

/** What a hand can't do in a line as it is played. */
function cantFinding(row: SheetRow, part: SheetPart): SheetFinding[] {
  const { riff, notes, out } = part;
  if (out || !riff || notes.length === 0) return [];
  const bar = isOnRoots(riff) ? null : ticksOfBar(row.passage.meter);
  const problems = lineProblems(notes, neckOfRiff(riff), { ticks: riff.ticks, bar }).filter(
    ({ code }) => !isOnRoots(riff) || !ONLY_WRITTEN.has(code),
  );
  if (problems.length === 0) return [];
  return [{ kind: "line-cant", ...at("line-cant", row, part), line: riff.name, problems, fixes: [] }];
}

/** Notes a line stays on for a beat or longer that are of neither the chord nor the scale. Shorter ones pass. Ours, no source. */
function outsideFinding(row: SheetRow, part: SheetPart): SheetFinding[] {
  const { riff, under, out } = part;
  if (out || !riff || !under) return [];
  const neck = neckOfRiff(riff);
  const beat = ticksOfBeatUnit(beatUnitOf(row.passage.meter))!;
  const placed = placedNotes(part).filter(({ note }) => note.ticks >= beat && !note.short);
  const fits = fitsOf(
    placed.map(({ note, tick }) => ({ ...note, tick })),
    neck,
    under.chords,
    under.scale,
  );
  const outside = placed.filter((_, index) => fits[index] === "outside");
  const bars = barsOfTicks(
    row.passage,
    outside.map(({ tick }) => tick),
  ).filter((bar) => playsInBar(part, bar));
  if (bars.length === 0) return [];
  const told = new Map<string, { note: string; over: string }>();
  for (const { note, tick } of outside) {
    const over = under.chords.find((chord) => tick >= chord.tick && tick < chord.tick + chord.ticks)!.symbol;
    const name = formatNoteName(nameInKey(modulo(heardPitch(note, neck)!, 12), under.key));
    told.set(`${name} ${over}`, { note: name, over });
  }
  const notes = [...told.values()];
  return [
    { kind: "line-outside", ...at("line-outside", row, part), line: riff.name, notes, bars, fixes: [] },
  ];
}
