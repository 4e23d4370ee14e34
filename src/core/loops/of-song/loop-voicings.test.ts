import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { parseChord } from "../../chord";
import { GUITAR_TUNING, parseTuning } from "../../pitch";
import { LOOP_PLACES, type LoopLayerRow, type Player, type VersionBody } from "../../song/schema";
import { PLAIN_LAYER } from "./loop-commands";
import { heldShapes, loopVoicings, PLACE_FRETS, tellingTones } from "./loop-voicings";

const TUNING = unwrap(parseTuning([...GUITAR_TUNING]));
const chordsOf = (text: string) =>
  text.split(" ").map((symbol) => {
    const chord = parseChord(symbol);
    if (!chord.ok) throw new Error(symbol);
    return { symbol, chord: chord.value, beats: 4 };
  });
const voiced = (text: string, place: (typeof LOOP_PLACES)[number], capo = 0) =>
  loopVoicings(chordsOf(text), place, { tuning: TUNING, capo, level: "steady" }, 600);

const NAMES = ["C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"];

describe("loopVoicings", () => {
  it.each(LOOP_PLACES)("sound root and third of every chord at the %s place, in all keys", (place) => {
    const { from, to } = PLACE_FRETS[place];
    for (const name of NAMES) {
      const text = ["", "m", "7", "m7", "maj7"].map((quality) => name + quality).join(" ");
      for (const [at, { shape }] of voiced(text, place).entries()) {
        const { chord } = chordsOf(text)[at]!;
        if (chord.kind === "none") throw new Error(chord.symbol);
        const { root, other } = tellingTones(chord);
        expect(shape, `${chord.symbol} ${place}`).not.toBeNull();
        const heard = shape!.frets.flatMap((fret, string) =>
          fret === null ? [] : [(TUNING[string]! + fret) % 12],
        );
        expect(heard).toContain(root);
        expect(heard.some((tone) => other.includes(tone))).toBe(true);
        for (const fret of shape!.frets)
          expect(fret === null || (fret === 0 && place === "low") || (fret >= from && fret <= to)).toBe(true);
      }
    }
  });

  it("keeps one shape for a chord that comes again, and the hand near", () => {
    const shapes = voiced("G C G D", "middle");
    expect(shapes.map(({ symbol }) => symbol)).toEqual(["G", "C", "D"]);
    const lowest = shapes.map(({ shape }) => Math.min(...shape!.frets.flatMap((fret) => fret ?? [])));
    expect(Math.max(...lowest) - Math.min(...lowest)).toBeLessThanOrEqual(3);
  });

  it("counts frets from the capo: A behind capo 2 is held as G", () => {
    const [behind] = voiced("A", "low", 2);
    const [open] = voiced("G", "low");
    expect(behind!.shape!.frets).toEqual(open!.shape!.frets);
  });

  it("takes what stands for the third, or the fifth of a power chord", () => {
    const tones = (symbol: string) => {
      const { chord } = chordsOf(symbol)[0]!;
      return chord.kind === "none" ? null : tellingTones(chord);
    };
    expect(tones("Dsus4")).toEqual({ root: 2, other: [7] });
    expect(tones("D5")).toEqual({ root: 2, other: [9] });
    expect(tones("Dm")).toEqual({ root: 2, other: [5] });
  });

  it("has nothing for silence, and says where no shape lies", () => {
    expect(voiced("N.C.", "middle")).toEqual([]);
    const high = loopVoicings(
      chordsOf("G"),
      "high",
      { tuning: TUNING.slice(0, 1), capo: 0, level: "steady" },
      600,
    );
    expect(high).toEqual([{ symbol: "G", shape: null }]);
  });
});

describe("heldShapes", () => {
  const layer = (id: string, more: Partial<LoopLayerRow>): LoopLayerRow => ({
    ...PLAIN_LAYER,
    plays: "chords",
    pitch: "pitched",
    chords: ["G", "Em"].map((symbol) => ({ symbol, ticks: 3840 })),
    id,
    originId: null,
    order: id,
    ...more,
  });
  const body = (players: Partial<Player>[], ...layers: LoopLayerRow[]): VersionBody => ({
    ...sampleVersion({ verse: { lines: ["Rope/G:4 bell/Em:4"] } }, ["verse"], players),
    loopLayers: Object.fromEntries(layers.map((row) => [row.id, row])),
  });

  it("tells the shapes of layers with a place, in the names of who plays the looper", () => {
    const held = heldShapes(
      body(
        [{ loops: true }],
        layer("a", { voicing: "middle" }),
        layer("b", {}),
        layer("c", { voicing: "middle", plays: "thumb bass" }),
      ),
    );
    expect([...held.keys()]).toEqual(["a"]);
    expect(held.get("a")?.join(", ")).toMatch(/^G [x\d]{6}, Em [x\d]{6}$/u);
    const capoed = heldShapes(body([{ loops: true, capo: 3 }], layer("a", { voicing: "low" })));
    expect(capoed.get("a")?.join(", ")).toMatch(/^E [x\d]{6}, C♯m [x\d]{6}$/u);
  });

  it("is nothing where a bass stands at the looper", () => {
    expect(heldShapes(body([{ loops: true, instrument: "bass" }], layer("a", { voicing: "low" }))).size).toBe(
      0,
    );
  });
});
