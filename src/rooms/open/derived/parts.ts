import {
  type BandSheet,
  bandSheet,
  findingsOf,
  type PlanRequest,
  planRequest,
  type SheetFinding,
} from "@/core/parts";
import { versionRow } from "@/core/song/read";
import type { Cell, Player, VersionBody } from "@/core/song/schema";
import { remembered } from "./remembered";
import type { SongDerived } from "./song";
import { PARTS, PLAYED, tablesIn } from "./tables";

/** A player's own rows of a table. */
const rowsOf = <Row extends { readonly playerId: string }>(
  rows: Readonly<Record<string, Row>>,
  id: string,
): Row[] => Object.values(rows).filter((row) => row.playerId === id);

/** Where a player comes in and leaves; that may hang on a word. */
const entrancesOf = (body: VersionBody, id: string): readonly unknown[] => {
  const own = rowsOf(body.entrances, id);
  return own.length === 0 ? own : [...own, body.words, body.anchors];
};

/** What the parts of a version come to: the sheet, what it shows to be wrong, what each hand is asked. */
export function partsDerived({ outline, timeline, cellIndex }: SongDerived) {
  /** The whole sheet; a row that an edit has not touched stays the same object. */
  const sheet = remembered<[VersionBody], BandSheet>({
    from: (body) => tablesIn(body, PARTS),
    make: (last, body) => bandSheet(body, outline(body), timeline(body), cellIndex(body), last),
  });

  /** What the sheet alone shows to be wrong, let-stand findings left out: the lantern of the Parts room. */
  const openFindings = remembered<[VersionBody], readonly SheetFinding[]>({
    from: (body) => tablesIn(body, [...PARTS, "dismissals"]),
    make: (_, body) => {
      const stand = new Set(Object.values(body.dismissals).map((one) => one.finding));
      return findingsOf(sheet(body), new Map(), 60000 / versionRow(body).bpm).filter(
        (one) => !stand.has(one.id),
      );
    },
  });

  /** What of a cell a hand's way depends on: whether it plays, and how; not how bright. */
  const handOfCell = remembered<[Cell], string>({
    key: (cell) => cell,
    from: () => [],
    make: (_, { useId, light, role, style, strings, capo, technique, bars, fret, moved }) =>
      JSON.stringify([
        useId,
        light === null ? null : light > 0,
        role === "out",
        role === null,
        style,
        strings,
        capo,
        technique,
        bars,
        fret,
        moved,
      ]),
  });

  const plan = remembered<[VersionBody, Player], { readonly request: PlanRequest; readonly said: string }>({
    key: (_, player) => player.id,
    from: (body, player) => [
      ...tablesIn(body, PLAYED),
      body.players[player.id] ?? player,
      ...rowsOf(body.cells, player.id).map(handOfCell),
      null,
      ...rowsOf(body.choices, player.id),
      null,
      ...rowsOf(body.bookShapes, player.id),
      null,
      ...entrancesOf(body, player.id),
    ],
    make: (last, body, player) => {
      const own = body.players[player.id] ?? player;
      const request = planRequest(body, own, outline(body), timeline(body), cellIndex(body));
      const said = JSON.stringify(request);
      return last?.said === said ? last : { request, said };
    },
  });

  /** What a player's hand does through the song, the same object while nothing of it has changed. */
  const planOf = (body: VersionBody, player: Player): PlanRequest => plan(body, player).request;

  return { sheet, openFindings, planOf };
}

export type PartsDerived = ReturnType<typeof partsDerived>;
