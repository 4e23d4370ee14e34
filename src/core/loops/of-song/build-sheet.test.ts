import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import type { VersionCommand } from "../../song/edit";
import { outlineOf, timelineOf } from "../../song/read";
import { DOCUMENTS, type LoopBox, type LoopLayerRow, type VersionBody } from "../../song/schema";
import { planLoops } from "../plan";
import { buildPrice, buildSheet, plainBuild } from "./build-sheet";
import { movePass, orderByPlan, PLAIN_LAYER, setBox, strokeWants } from "./loop-commands";
import { songLoops } from "./song-loops";

const BAR = 3840;
let ids = 0;
const makeId = () => `id${ids++}`;
const act = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

/** A verse of four bars at one beat a second, with a strum on track 1 and a hum on top of it, and a thump on track 2. */
function sample(box: Partial<LoopBox> = {}): VersionBody {
  let body = sampleVersion(
    { verse: { lines: ["Rope/G:4 down/C:4", "bell/G:4 up/D:4"] } },
    ["verse"],
    [{ sings: true, loops: true, role: "carry" }],
  );
  const layer = (id: string, more: Partial<LoopLayerRow>): LoopLayerRow => ({
    ...PLAIN_LAYER,
    id,
    originId: null,
    order: id,
    name: id,
    ...more,
  });
  const rows = [
    layer("strum", { plays: "strum", pitch: "pitched", bars: 4, track: 0, order: "a" }),
    layer("thump", { bars: 2, track: 1, order: "b" }),
    layer("hum", { plays: "voice", pitch: "pitched", bars: 4, track: 0, steady: false, order: "c" }),
  ];
  for (const row of rows) body = act(body, { type: "add", table: "loopLayers", row });
  body = act(body, setBox(body, box, makeId));
  const strokes = rows.map(({ id }) => ({
    layerId: id,
    useId: "u0",
    from: 0,
    to: 4 * BAR,
    total: 4 * BAR,
    want: "on" as const,
  }));
  return act(body, strokeWants(body, outlineOf(body), strokes, makeId));
}

function planned(body: VersionBody) {
  const outline = outlineOf(body);
  const song = songLoops(body, outline, timelineOf(body, outline));
  return { song, plan: unwrap(planLoops(song.asked!, { trade: false })) };
}

describe("the build as a section before the first", () => {
  it("tells the foot of every pass by the box's pedals, and what is let in as the song begins", () => {
    const { song, plan } = planned(sample());
    const sheet = buildSheet(song, plan)!;
    expect(sheet).toMatchObject({ countInBars: 1, seconds: 4 * 11, listenBars: 0 });
    expect(sheet.steps.map(({ layers, track, bar, bars, over }) => [layers, track, bar, bars, over])).toEqual(
      [
        ["strum", 0, 1, 4, false],
        ["hum", 0, 5, 4, true],
        ["thump", 1, 9, 2, false],
      ],
    );
    expect(sheet.steps.map(({ feet }) => feet)).toEqual([
      [
        "on 1 after the count-in press “Left”: it records",
        "on 1 after 4 bars press “Left” and keep it down: it goes round, and the next one records",
      ],
      ["on 1 after 4 bars hold “Left”: it goes round, and at once press “Right”: the next one records"],
      ["on 1 after 2 bars press “Right”: it goes round"],
    ]);
    expect(sheet.before).toBe(
      "Press “Left” twice: all is silent. As the first section begins press “Left” (track 1 in), then press “Right” (track 2 in).",
    );
  });

  it("leaves the pedal where one layer on top follows another on a track", () => {
    const body = sample();
    const all = act(body, { type: "set", table: "loopLayers", id: "thump", fields: { track: 0 } });
    const { song, plan } = planned(all);
    const [, second] = buildSheet(song, plan)!.steps;
    expect(second!.feet).toEqual(["on 1 after 2 bars leave the pedal: the next layer goes straight on top"]);
    // Begin, close, hold for the layers on top, and the last close.
    expect(buildPrice(song, plan.build)).toMatchObject({ presses: 4, moves: 0 });
  });

  it("says that everything is heard once, and what is silenced before the first section", () => {
    const { song, plan } = planned(sample({ listen: true }));
    expect(buildSheet(song, plan)).toMatchObject({
      listenBars: 4,
      before: "Everything runs on into the first section.",
    });
  });

  it("is put in an order of one's own with its price, and left to the plan again", () => {
    const body = sample();
    const { plan } = planned(body);
    const moved = act(body, movePass(plan.build.order, 1, 2));
    const own = planned(moved);
    expect(own.plan.build.order).toEqual([["strum"], ["thump"], ["hum"]]);
    const price = buildPrice(own.song, own.plan.build);
    const plain = buildPrice(own.song, plainBuild(own.song.asked!, own.plan.tracks));
    expect([price, plain]).toEqual([
      { seconds: 44, presses: 6, moves: 2, isSteady: true },
      { seconds: 44, presses: 6, moves: 1, isSteady: true },
    ]);
    const first = planned(act(moved, movePass(own.plan.build.order, 2, 0)));
    expect(first.plan.build.order[0]).toEqual(["hum"]);
    expect(buildPrice(first.song, first.plan.build).isSteady).toBe(false);
    expect(planned(act(moved, orderByPlan(moved))).song.asked!.buildOrder).toBeUndefined();
  });

  it("goes by school and list where a track need not be finished, and spreads over tracks where that is the habit", () => {
    expect(planned(sample({ finish: false })).plan.build.order).toEqual([["strum"], ["thump"], ["hum"]]);
    let body = sample({ spread: true, tracks: 3 });
    for (const id of ["strum", "thump", "hum"])
      body = act(body, { type: "set", table: "loopLayers", id, fields: { track: null } });
    expect(planned(body).plan.tracks.map((layers) => layers.length)).toEqual([1, 1, 1]);
  });
});
