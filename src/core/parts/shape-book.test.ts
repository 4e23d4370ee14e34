import { describe, expect, it } from "vitest";
import { sampleHand } from "../../../testing/parts/sample-hand";
import { sampleSpot } from "../../../testing/song/sample-spot";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { changeKey, chooseShape, hasCapo, keepInBook, setCell, type VersionCommand } from "../song/edit";
import { Namer, readerOf } from "../song/names";
import { indexCells, outlineOf } from "../song/read";
import { type BookShape, DOCUMENTS, type VersionBody } from "../song/schema";
import { shapesChosen } from "./chosen-shapes";
import { planRequest } from "./plan-request";
import { hasShape, keptShapes, placeInBook, shapeIdentity } from "./shape-book";
import { planShapes, shapesOfPlan } from "./shape-plan";
import { requestKey, type ShapeRequest } from "./shapes";

const STANDARD = ["E2", "A2", "D3", "G3", "B3", "E4"];
const LOWERED = ["Eb2", "Ab2", "Db3", "Gb3", "Bb3", "Eb4"];
const DROPPED = ["D2", "A2", "D3", "G3", "B3", "E4"];

const kept = (fields: Partial<BookShape> = {}): BookShape => ({
  id: "k",
  playerId: "p0",
  symbol: "A2",
  style: "full",
  strings: null,
  frets: [null, 0, 2, 2, 0, 0],
  fingers: [null, null, 1, 2, null, null],
  tuning: STANDARD,
  ...fields,
});
const request = (fields: Partial<ShapeRequest> = {}): ShapeRequest => ({
  ...sampleHand(),
  symbol: "A2",
  ...fields,
});

describe("a shape's identity", () => {
  it("is the hand's: the same behind a capo, whatever the black keys are called", () => {
    expect(shapeIdentity("B2", 2)).toBe(shapeIdentity("A2"));
    expect(shapeIdentity("Ab")).toBe(shapeIdentity("G#"));
    expect(shapeIdentity("D/F#")).not.toBe(shapeIdentity("D"));
    expect(shapeIdentity("A2")).not.toBe(shapeIdentity("A"));
    expect(shapeIdentity("H7")).toBeNull();
  });
});

describe("kept shapes", () => {
  const fits = (row: Partial<BookShape>, asked: Partial<ShapeRequest>) =>
    keptShapes([kept(row)], request(asked)).length === 1;

  it("stand behind any capo and on strings that are lowered evenly", () => {
    expect(fits({}, {})).toBe(true);
    expect(fits({}, { symbol: "B2", capo: 2 })).toBe(true);
    expect(fits({}, { symbol: "B2" })).toBe(false);
    expect(fits({}, { symbol: "Ab2", tuning: LOWERED })).toBe(true);
    expect(fits({}, { tuning: DROPPED })).toBe(false);
  });

  it("stand for one way of voicing, within the place on the neck, and never for a shape that is moved", () => {
    expect(fits({}, { style: "triad" })).toBe(false);
    expect(fits({ style: "triad", strings: [3, 4, 5] }, { style: "triad", strings: [3, 4, 5] })).toBe(true);
    expect(fits({ style: "triad", strings: [3, 4, 5] }, { style: "triad", strings: [2, 3, 4] })).toBe(false);
    expect(fits({}, { fret: 7 })).toBe(false);
    expect(fits({ frets: [5, 7, 7, null, 5, 5] }, { fret: 7 })).toBe(true);
    expect(fits({}, { moved: true })).toBe(false);
  });

  it("are told apart by place and frets", () => {
    expect(placeInBook(kept({ symbol: "G#" }))).toBe(placeInBook(kept({ symbol: "Ab", frets: [4] })));
    expect(hasShape([kept()], kept({ id: "other" }))).toBe(true);
    expect(hasShape([kept()], kept({ frets: [5, null, 5, 5, null, null] }))).toBe(false);
  });
});

describe("a song with a shape book", () => {
  const body = sampleVersion(
    { verse: { lines: ["a/E:4 b/B:4 c/C#m:4 d/A2:4"] }, chorus: { lines: ["e/A2:4 f/E:4"] } },
    ["verse", "chorus"],
    [{ capo: 2 }],
  );
  const edit = (from: VersionBody, command: VersionCommand) =>
    unwrap(applyEdit(DOCUMENTS.version, from, command)).body;
  const player = body.players.p0!;
  const namer = new Namer(body, readerOf(player, 2));
  const spot = sampleSpot(player, { chordId: "verse-l0-c3", symbol: "A2" });
  // The hand plays G2 behind capo 2; a shape that the plan would not take by itself.
  const own = { frets: [3, 0, 0, 2, 3, 3], fingers: [2, null, null, 1, 3, 4] as (1 | 2 | 3 | 4 | null)[] };
  const inBook = edit(
    body,
    keepInBook(body, spot, { ...own, symbol: namer.shapeOf("A2") }, () => "kept"),
  );
  const planOf = (from: VersionBody) => planShapes(planRequest(from, from.players.p0!));
  const heldFor = (from: VersionBody, symbol: string) =>
    planOf(from).runs.flatMap(({ run, path }) =>
      run.events.flatMap((event, at) => (event.symbol === symbol ? [path[at]!.frets.join(" ")] : [])),
    );

  it("names it as the hand does, and holds it wherever the chord comes", () => {
    expect(inBook.bookShapes.kept).toMatchObject({ symbol: "G2", style: "full", playerId: "p0" });
    // The two in a row are one event.
    expect(heldFor(inBook, "A2")).toEqual(["3 0 0 2 3 3"]);
    expect(heldFor(body, "A2")).not.toEqual(["3 0 0 2 3 3"]);
    const { run, path } = planOf(inBook).runs[0]!;
    expect(path[run.events.findIndex(({ symbol }) => symbol === "A2")]!.fingers).toEqual(own.fingers);
    const hand = planOf(inBook).runs[0]!.run.hand;
    // Stage and print look planned shapes up: a kept one is among them.
    expect(shapesOfPlan(planOf(inBook)).get(requestKey({ ...hand, symbol: "A2" }))?.frets).toEqual(own.frets);
  });

  it("holds it in another key, where the same shapes stand behind another capo", () => {
    const raised = edit(inBook, changeKey(inBook, "A", hasCapo));
    expect(raised.players.p0!.capo).toBe(4);
    expect(heldFor(raised, "B2")).toEqual(["3 0 0 2 3 3"]);
  });

  it("lets a choice of a place stand above it, and lets go of one that was made for the song", () => {
    const other = {
      frets: [3, null, 0, 2, 3, 3],
      fingers: [2, null, null, 1, 3, 4] as (1 | 2 | 3 | 4 | null)[],
    };
    const here = edit(
      inBook,
      chooseShape(inBook, spot, "chord", other, () => "here"),
    );
    expect(heldFor(here, "A2")).toEqual(["3  0 2 3 3", "3 0 0 2 3 3"]);
    const everywhere = edit(
      body,
      chooseShape(body, spot, "symbol", other, () => "all"),
    );
    const after = edit(
      everywhere,
      keepInBook(everywhere, spot, { ...own, symbol: "G2" }, () => "kept"),
    );
    expect(after.choices).toEqual({});
    expect(heldFor(after, "A2")).toEqual(["3 0 0 2 3 3"]);
  });

  it("leaves sections that voice their chords otherwise alone", () => {
    const cells = indexCells(inBook, outlineOf(inBook));
    const small = edit(
      inBook,
      setCell(cells, "u1", "p0", { style: "triad", strings: [3, 4, 5] }, () => "cell"),
    );
    const [verse, chorus] = planOf(small).runs;
    expect(verse!.path.at(-1)!.frets).toEqual(own.frets);
    expect(chorus!.path[0]!.frets.slice(0, 3)).toEqual([null, null, null]);
  });

  it("chooses between several kept for one chord by the way there", () => {
    const second = edit(
      inBook,
      keepInBook(
        inBook,
        spot,
        { symbol: "G2", frets: [3, 2, 0, 2, 3, 3], fingers: [2, 1, null, 1, 3, 4] },
        () => "two",
      ),
    );
    const [run] = planRequest(second, second.players.p0!).runs;
    expect(run!.events.at(-2)!.book).toHaveLength(2);
    expect(["3 0 0 2 3 3", "3 2 0 2 3 3"]).toContain(heldFor(second, "A2")[0]);
  });

  it("tells the shapes chosen in a song as the hand calls them", () => {
    const ofBand = { ...body, players: { p0: { ...player, bandPlayerId: "ann" } } };
    const chosen = edit(
      ofBand,
      chooseShape(ofBand, spot, "voicing", own, () => "c"),
    );
    expect(shapesChosen(chosen)).toEqual([
      {
        bandPlayerId: "ann",
        shape: { symbol: "G2", style: "full", strings: null, ...own, tuning: player.tuning },
      },
    ]);
    expect(shapesChosen(body)).toEqual([]);
    // Who is not of the band has no book; a small shape without its voicing says too little.
    const small = {
      frets: [null, null, null, 2, 3, 3],
      fingers: [null, null, null, 1, 2, 3] as (1 | 2 | 3 | null)[],
    };
    expect(
      shapesChosen(
        edit(
          ofBand,
          chooseShape(ofBand, spot, "symbol", small, () => "c"),
        ),
      ),
    ).toEqual([]);
  });
});
