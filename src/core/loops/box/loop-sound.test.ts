import { describe, expect, it } from "vitest";
import { knocks } from "../../../../testing/loops/knocks";
import { caseOf, chordBeats, layerOf, sectionOf } from "../../../../testing/loops/sample-case";
import { unwrap } from "../../../base";
import { planLoops } from "../plan";
import { eventsOf, mixEvents, renderSound, wavOf, withinScale } from "./loop-sound";

/** 120 beats a minute: a beat is half a second. */
const asked = caseOf({
  layers: [layerOf("thump", { bars: 1 }), layerOf("clap", { bars: 1 })],
  sections: [
    sectionOf("a", 2, "thump:on"),
    sectionOf("b", 1, "clap:on"),
    sectionOf("c", 1.5, "thump:on clap:on"),
  ],
});
const heard = [
  { id: "thump", plays: "thump", hits: knocks([0, 2]), level: 0 },
  { id: "clap", plays: "clap", hits: knocks([1, 3]), level: -6 },
] as const;
const events = eventsOf(asked, unwrap(planLoops(asked)), heard);

describe("what a plan sounds like", () => {
  it("has every hit of every pass at its time, and none where a track is silent", () => {
    const of = (plays: string) => events.filter((one) => one.plays === plays).map(({ seconds }) => seconds);
    // Beats 0 and 2 of bars 1 and 2, of bar 4, and the first half of the half bar.
    expect(of("thump")).toEqual([0, 1, 2, 3, 6, 7, 8]);
    expect(of("clap")).toEqual([4.5, 5.5, 6.5, 7.5, 8.5]);
    expect(events.every((one, at) => at === 0 || one.seconds >= events[at - 1]!.seconds)).toBe(true);
  });

  it("is cut where its track stops", () => {
    const pad = caseOf({
      layers: [layerOf("pad", { bars: 1, kind: "pitched", progression: chordBeats("G 4") })],
      sections: [sectionOf("a", 0.5, "pad:on"), sectionOf("b", 1, "")],
    });
    const held = {
      id: "pad",
      plays: "chords",
      hits: [{ beat: 0, beats: 4, hz: [196, 247, 294], share: 1 }],
      level: 0,
    } as const;
    expect(eventsOf(pad, unwrap(planLoops(pad)), [held])).toMatchObject([{ seconds: 0, until: 1 }]);
  });

  it("begins each sound at its first sample, below full scale, and ends it in silence", () => {
    for (const plays of [
      "thump",
      "clap",
      "chop",
      "thumb bass",
      "chords",
      "strum",
      "line",
      "voice",
      "count",
    ] as const) {
      const samples = renderSound({ plays, hz: [220, 330], gain: 1, lasts: 1 }, 48000);
      expect(Math.abs(samples[0]!), plays).toBeGreaterThan(0.02);
      expect(
        samples.every((one) => Math.abs(one) <= 1),
        plays,
      ).toBe(true);
      expect(Math.abs(samples.at(-1)!), plays).toBeLessThan(0.01);
    }
  });

  it("is mixed sample by sample, and written as 16 bit WAV", () => {
    const mixed = mixEvents(events.slice(0, 2), 2, 1000);
    const alone = renderSound({ ...events[0]!, lasts: events[0]!.until - events[0]!.seconds }, 1000);
    expect(mixed.slice(0, alone.length)).toEqual(alone);
    const bytes = wavOf(Float32Array.of(0, 1, -2), 8000);
    const view = new DataView(bytes.buffer);
    expect(new TextDecoder().decode(bytes.slice(0, 4))).toBe("RIFF");
    expect([view.getUint32(4, true), view.getUint32(24, true), view.getUint32(40, true)]).toEqual([
      42, 8000, 6,
    ]);
    expect([44, 46, 48].map((at) => view.getInt16(at, true))).toEqual([0, 32767, -32767]);
  });
});

describe("a sound that is saved", () => {
  it("is softer all through where it would be cut off anywhere, and else as it is", () => {
    const loud = withinScale(Float32Array.of(0.45, -1.8, 0.9));
    expect([...loud].map((one) => Math.round(one * 1000) / 1000)).toEqual([0.225, -0.9, 0.45]);
    const soft = Float32Array.of(0.1, -0.6);
    expect(withinScale(soft)).toBe(soft);
    expect(withinScale(new Float32Array(0))).toHaveLength(0);
  });

  it("of many layers at once nowhere stands at full scale", () => {
    const events = eventsOf(asked, unwrap(planLoops(asked)), heard).map((event) => ({ ...event, gain: 3 }));
    const mixed = mixEvents(events, 2, 8000);
    expect(Math.max(...mixed.map(Math.abs))).toBeGreaterThan(1);
    const bytes = wavOf(withinScale(mixed), 8000);
    const view = new DataView(bytes.buffer);
    for (let at = 44; at < bytes.length; at += 2)
      expect(Math.abs(view.getInt16(at, true))).toBeLessThan(29_500);
  });
});
