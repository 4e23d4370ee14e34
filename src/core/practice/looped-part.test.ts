import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { addLayer, layerPasses, PLAIN_LAYER, planLoops, songLoops } from "../loops";
import { outlineOf, timelineOf } from "../song/read";
import { DOCUMENTS, type VersionBody } from "../song/schema";
import { loopedParts } from "./looped-part";

const BEAT = 960;
const BAR = 4 * BEAT;
let count = 0;
const makeId = () => `id${count++}`;

type Want = { readonly useId: string; readonly from: number; readonly to: number | null };
/** Two verses of two bars around a chorus of two. */
const song = (layers: readonly { readonly fields: object; readonly wants: readonly Want[] }[]): VersionBody =>
  layers.reduce(
    (now, { fields, wants }) =>
      unwrap(applyEdit(DOCUMENTS.version, now, addLayer(now, { ...PLAIN_LAYER, ...fields }, makeId, wants)))
        .body,
    sampleVersion(
      { verse: { lines: ["Rope/G:4 down/C:4"] }, chorus: { lines: ["Ring/Em:4 out/C:4"] } },
      ["verse", "chorus", "verse"],
      [{ name: "Ann", loops: true }],
    ),
  );
const looped = (body: VersionBody) => {
  const outline = outlineOf(body);
  const own = songLoops(body, outline, timelineOf(body, outline));
  return loopedParts(own, unwrap(planLoops(own.asked!)), layerPasses(body, own));
};

describe("loops in a song", () => {
  it("go round where the plan has them, and nowhere else, by hand", () => {
    const [pulse] = looped(
      song([{ fields: { bars: 1, name: "Pulse" }, wants: [{ useId: "u1", from: 0, to: null }] }]),
    );
    expect(pulse!.player).toMatchObject({ name: "Loop: Pulse", instrument: "drums", isLoop: true });
    // The chorus is bars 3 and 4: a thump on one and three of each.
    expect(pulse!.drums.map(({ tick }) => tick / BEAT)).toEqual([8, 10, 12, 14]);
  });

  it("are cut in mid-pass, with what rings, where the track stops", () => {
    const chords = [
      { symbol: "G", ticks: BAR },
      { symbol: "C", ticks: 2 * BAR },
    ];
    const [held] = looped(
      song([
        {
          fields: { bars: 3, plays: "chords", pitch: "pitched", chords },
          wants: [{ useId: "u1", from: 0, to: null }],
        },
      ]),
    );
    expect(held!.strokes.map(({ tick, until }) => [tick / BAR, until / BAR])).toEqual([
      [2, 3],
      [3, 4],
    ]);
  });

  it("sound at a moment what the layer has there, at any length and wish, as a slow count of passes finds", () => {
    const made = fc.record({
      bars: fc.constantFrom(1, 2, 3),
      from: fc.integer({ min: 0, max: 1 }),
      use: fc.constantFrom("u0", "u1", "u2"),
    });
    fc.assert(
      fc.property(made, ({ bars, from, use }) => {
        const [pulse] = looped(
          song([{ fields: { bars }, wants: [{ useId: use, from: from * BAR, to: null }] }]),
        );
        const places = new Set(pulse!.drums.map(({ tick }) => tick));
        // What the first verse wants the second one wants too.
        const wanted = [0, 1, 2, 3, 4, 5].filter((bar) => {
          const at = `u${Math.floor(bar / 2)}`;
          return (at === use || (use === "u0" && at === "u2")) && bar % 2 >= from;
        });
        const expected = wanted.flatMap((bar) => [bar * BAR, bar * BAR + 2 * BEAT]);
        expect([...places].sort((a, b) => a - b)).toEqual(expected);
      }),
      { numRuns: 40 },
    );
  });
});
