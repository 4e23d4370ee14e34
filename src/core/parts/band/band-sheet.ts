import type { Midi } from "../../../base";
import { byOrder } from "../../../document";
import type { Tempo } from "../../rhythm";
import {
  barsIn,
  type CellIndex,
  cellKey,
  indexCells,
  keysOf,
  melodyShift,
  type Outline,
  outlineOf,
  type Passage,
  type Timeline,
  timelineOf,
} from "../../song/read";
import type { Player, Section, Use, VersionBody } from "../../song/schema";
import { type PartSource, partSource, type SheetPart, sheetPart } from "./sheet-part";

/** One use of a section with what everybody does there. */
export type SheetRow = {
  readonly use: Use;
  readonly section: Section;
  readonly label: string;
  readonly bars: number;
  readonly passage: Passage;
  readonly tempo: Tempo;
  /** What is sung there as it sounds; null where nobody sings or it is not known. */
  readonly sung: readonly [low: Midi, high: Midi] | null;
  readonly vocals: boolean;
  readonly energy: number | null;
  readonly bass: "needed" | "free" | null;
  /** In the order of the players. */
  readonly parts: readonly SheetPart[];
};

/** The whole sheet: sections as they are played, players across. */
export type BandSheet = { readonly players: readonly Player[]; readonly rows: readonly SheetRow[] };

/** What a row, or a part, was made from: while all of it is the very same, so is the row or the part. */
const madeFrom = new WeakMap<SheetRow | SheetPart, readonly unknown[]>();

const isMadeFrom = (made: SheetRow | SheetPart | undefined, inputs: readonly unknown[]): boolean => {
  const before = made && madeFrom.get(made);
  return before?.length === inputs.length && before.every((input, at) => input === inputs[at]);
};

/**
 * Reads the sheet of a version. What was read already can be handed in; rows and parts that nothing has changed in since
 * `last` stay the same objects, so that what hangs on them need not be worked out, or drawn, again.
 */
export function bandSheet(
  body: VersionBody,
  outline: Outline = outlineOf(body),
  timeline: Timeline = timelineOf(body, outline),
  index: CellIndex = indexCells(body, outline, () => timeline),
  last: BandSheet | null = null,
): BandSheet {
  const players = Object.values(body.players).sort(byOrder);
  const source: PartSource = partSource(body, index, outline.form);
  const { written, sounding } = keysOf(body);
  const moved = melodyShift(written, sounding);
  const before = new Map(last?.rows.map((row) => [row.use.id, row]));
  const rows: SheetRow[] = [];
  const seen = new Set<string>();
  for (const passage of timeline.passages) {
    const { use, section } = passage;
    if (seen.has(use.id)) continue;
    seen.add(use.id);
    const range = use.melodyRange ?? section.melodyRange;
    const by = moved + use.shift - (use.octaveDown ? 12 : 0);
    const first = index.firstUse.get(use.sectionId) ?? use.id;
    const inputsOf = players.map((player) => [
      passage,
      by,
      player,
      JSON.stringify(index.staysOf(player.id)?.get(use.id) ?? null),
      ...[use.id, first].flatMap((id) => {
        const cell = index.cells.get(cellKey(id, player.id));
        const riff = cell?.riffId ?? "";
        return [
          cell,
          body.strums[cell?.strumId ?? ""],
          body.strums[cell?.shortStrumId ?? ""],
          body.strums[cell?.fillStrumId ?? ""],
          body.riffs[riff],
          riff === "" ? null : body.riffNotes,
          riff === "" || !body.riffs[riff] ? 0 : source.lineMove(body.riffs[riff], use),
          riff === "" ? "" : `${sounding.tonic} ${sounding.mode}`,
        ];
      }),
    ]);
    const inputs = [passage, by, ...inputsOf.flat()];
    const known = before.get(use.id);
    if (known && isMadeFrom(known, inputs)) {
      rows.push(known);
      continue;
    }
    const sung = range && passage.vocals ? ([range[0] + by, range[1] + by] as const) : null;
    const row: SheetRow = {
      use,
      section,
      label: passage.label,
      bars: barsIn(passage).length,
      passage,
      tempo: passage.tempo,
      sung,
      vocals: passage.vocals,
      energy: use.energy ?? section.energy,
      bass: use.bass ?? section.bass,
      parts: players.map((player, at) => {
        const part = known?.parts[at];
        if (part && isMadeFrom(part, inputsOf[at]!)) return part;
        const fresh = sheetPart(body, source, use, player, passage, sung);
        madeFrom.set(fresh, inputsOf[at]!);
        return fresh;
      }),
    };
    madeFrom.set(row, inputs);
    rows.push(row);
  }
  return { players, rows };
}
