import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { bandSheet } from "../../parts";
import { COMMON_TIME } from "../../rhythm";
import { outlineOf, timelineOf } from "../../song/read";
import { DOCUMENTS, type VersionBody } from "../../song/schema";
import { planLoops } from "../plan";
import { followSheet } from "./follow-sheet";
import { layerPasses } from "./heard";
import { layerOfPart } from "./layer-of-part";
import { addLayer, PLAIN_LAYER } from "./loop-commands";
import { songLoops } from "./song-loops";
import { layerOfKind, setTapped, TOUCH_LAYERS, type TouchLayer } from "./touch-layers";

const BAR = 3840;
let ids = 0;
const makeId = () => `id${ids++}`;

/** A verse of four bars that are two, twice over. */
const song = () =>
  sampleVersion(
    { verse: { lines: ["Rope/G:4 down/C:4", "bell/G:4 up/C:4"] } },
    ["verse", "verse"],
    [{ sings: true, loops: true, role: "carry" }],
  );
const rowOf = (body: VersionBody) => bandSheet(body, outlineOf(body)).rows[0]!;
const made = (kind: TouchLayer) => layerOfKind(song(), kind, rowOf(song()), BAR);

describe("a layer in one touch", () => {
  it("takes the shortest run of the section's chords where it has pitches", () => {
    expect(made("bass line")).toMatchObject({
      plays: "thumb bass",
      pitch: "pitched",
      bars: 2,
      chords: [
        { symbol: "G", ticks: BAR },
        { symbol: "C", ticks: BAR },
      ],
    });
    expect(made("voice")).toMatchObject({ needs: ["mouth"], bars: 2 });
  });

  it("is two bars of a beat, with hands or mouth", () => {
    expect(made("mouth beat")).toMatchObject({ plays: "thump", needs: ["mouth"], bars: 2, steady: true });
    expect(made("clap")).toMatchObject({ pitch: "unpitched", bars: 2 });
    expect(layerOfKind(song(), "thump", null, BAR).bars).toBe(2);
  });

  it("of each kind plans at once, wanted where its section comes, and sounds in its pass", () => {
    let body = song();
    for (const kind of TOUCH_LAYERS) {
      const layer = layerOfKind(body, kind, rowOf(body), BAR);
      const wants = [{ useId: "u0", from: 0, to: null }];
      body = unwrap(applyEdit(DOCUMENTS.version, body, addLayer(body, layer, makeId, wants))).body;
    }
    const outline = outlineOf(body);
    const loops = songLoops(body, outline, timelineOf(body, outline));
    const plan = unwrap(planLoops(loops.asked!, { trade: false }));
    expect([plan.wrongBars, plan.states.map((tracks) => tracks.length > 0)]).toEqual([0, [true, true]]);
    const passes = layerPasses(body, loops);
    for (const { id, name } of loops.layers) {
      const { strokes, notes, drums } = passes.get(id)!;
      expect(strokes.length + notes.length + drums.length, name).toBeGreaterThan(0);
    }
  });
});

describe("a layer and its sheet", () => {
  it("offers to follow what is otherwise there now, and nothing where it has what the sheet has", () => {
    const row = rowOf(song());
    const layer = { ...PLAIN_LAYER, ...made("bass line"), id: "l", originId: null, order: "V" };
    expect(followSheet([row], layer, BAR)).toBeNull();
    const other = sampleVersion({ verse: { lines: ["Rope/G:4 down/C:4", "bell/Em:4 up/D:4"] } }, ["verse"]);
    expect(followSheet([rowOf(other)], layer, BAR)).toMatchObject({
      differs: ["chords", "length"],
      fields: { bars: 4, chords: [{ symbol: "G" }, { symbol: "C" }, { symbol: "Em" }, { symbol: "D" }] },
    });
    expect(followSheet([rowOf(other)], { ...layer, fromSectionId: null }, BAR)).toBeNull();
  });

  it("follows a part by its player: pattern and line too", () => {
    const row = rowOf(song());
    const taken = layerOfPart(row, row.parts[0]!, BAR)!;
    const layer = { ...PLAIN_LAYER, ...taken, id: "l", originId: null, order: "V" };
    expect(followSheet([row], layer, BAR)).toBeNull();
    expect(followSheet([row], { ...layer, strumId: "gone" }, BAR)).toMatchObject({
      differs: ["pattern"],
      fields: { strumId: null },
    });
  });
});

describe("a tapped rhythm", () => {
  it("becomes the layer's pattern, and the next one takes its place", () => {
    const layer = layerOfKind(song(), "strum", rowOf(song()), BAR);
    let body = unwrap(
      applyEdit(
        DOCUMENTS.version,
        song(),
        addLayer(song(), layer, () => "l"),
      ),
    ).body;
    const tapped = (pattern: string) => ({ subdivision: 2 as const, pattern, onsets: 2 });
    const take = (pattern: string) => {
      const command = setTapped(body, body.loopLayers.l!, tapped(pattern), COMMON_TIME, makeId);
      body = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    };
    take("D . D . . . . . . . . . . . . .");
    const strumId = body.loopLayers.l!.strumId!;
    expect(body.strums[strumId]).toMatchObject({
      name: "Strum, tapped",
      subdivision: 2,
      anchor: "section",
    });
    take("D . . U . . . . . . . . . . . .");
    expect(Object.keys(body.strums)).toHaveLength(1);
    expect(body.strums[strumId]!.pattern).toBe("D . . U . . . . . . . . . . . .");
    const outline = outlineOf(body);
    const loops = songLoops(body, outline, timelineOf(body, outline));
    expect(
      layerPasses(body, loops)
        .get("l")!
        .strokes.map(({ tick }) => tick),
    ).toEqual([0, 1440]);
  });
});
