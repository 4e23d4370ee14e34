import { describe, expect, it } from "vitest";
import { looperOfBox, pedalFor } from "./box-pedals";
import { BOX_PROFILES } from "./loop-boxes";
import { boxTaught, type Learned, nextLesson, type Pressed } from "./teach-box";

const press = (control: string, way: Pressed["way"] = "press"): Pressed => ({ control, way });

/** Answers every lesson by what it asks: "in 0", "all out"; what is not among the answers the box does not have. */
function teach(tracks: number, answers: Readonly<Record<string, Pressed>>) {
  const learned: Learned[] = [];
  for (let lesson = nextLesson(tracks, learned); lesson; lesson = nextLesson(tracks, learned)) {
    const asked = "track" in lesson ? `${lesson.asks} ${lesson.track}` : lesson.asks;
    learned.push({ lesson, pressed: answers[asked] ?? null });
  }
  return { learned, ...boxTaught(tracks, learned, { pedals: [] }) };
}

describe("a box taught by pressing", () => {
  it("asks in and out apart on the first track only, where one pedal does both", () => {
    const { learned, fields, twice } = teach(3, {
      "in 0": press("key 1"),
      "out 0": press("key 1"),
      "in and out 1": press("key 2"),
      "in and out 2": press("key 3"),
      "one more layer": press("key 1", "hold"),
      "all out": press("key 2", "double"),
    });
    expect(learned.map(({ lesson }) => lesson.asks)).toEqual([
      "in",
      "out",
      "in and out",
      "in and out",
      "one more layer",
      "all out",
      "all in",
      "take back",
    ]);
    expect(twice).toEqual([]);
    expect(fields).toEqual({
      tracks: 3,
      pedals: [
        { name: "Track 1", press: "track-0", double: "none", hold: "overdub-0", control: "key 1" },
        { name: "Track 2", press: "track-1", double: "stop-all", hold: "overdub-1", control: "key 2" },
        { name: "Track 3", press: "track-2", double: "none", hold: "overdub-2", control: "key 3" },
      ],
      allStart: false,
      allStop: true,
      toggleAll: false,
      undoLast: false,
    });
  });

  it("knows in-only and out-only pedals, and one that does both for all", () => {
    const { fields } = teach(2, {
      "in 0": press("144 0 60"),
      "out 0": press("144 0 61"),
      "in 1": press("144 0 62"),
      "out 1": press("144 0 61", "double"),
      "all out": press("176 0 64"),
      "all in": press("176 0 64"),
      "take back": press("176 0 64", "hold"),
    });
    expect(fields).toMatchObject({ allStart: true, allStop: true, toggleAll: true, undoLast: true });
    expect(fields.pedals.map(({ name, press: once, double, hold }) => [name, once, double, hold])).toEqual([
      ["Track 1 in", "start-0", "none", "none"],
      ["Track 1 out", "stop-0", "stop-1", "none"],
      ["Track 2 in", "start-1", "none", "none"],
      ["All", "toggle-all", "none", "undo"],
    ]);
    const box = { ...BOX_PROFILES[0]!, ...fields, id: "b", order: "V", playerId: null };
    expect(looperOfBox(box).prices).toEqual({
      start: [0, 0],
      stop: [0, 1],
      startAll: 0,
      stopAll: 0,
      pairs: [],
    });
    expect(pedalFor(box, "track-1", "stop")).toEqual({ at: 1, way: "double", act: "stop-1" });
    expect(pedalFor(box, "stop-all", "stop")).toEqual({ at: 3, way: "press", act: "toggle-all" });
  });

  it("says which press was taught two things, and keeps the first", () => {
    const { fields, twice } = teach(1, {
      "in 0": press("key 1"),
      "out 0": press("key 1"),
      "all out": press("key 1"),
    });
    expect(twice).toEqual([{ control: "key 1", way: "press", acts: ["track-0", "stop-all"] }]);
    expect(fields.pedals).toEqual([
      { name: "Track 1", press: "track-0", double: "none", hold: "none", control: "key 1" },
    ]);
  });

  it("keeps the pedals there were where nothing was pressed, and the names of pedals it knows", () => {
    const before = {
      pedals: [{ name: "Left", press: "track-0", double: "none", hold: "none", control: "key 1" }],
    };
    expect(boxTaught(1, [], before).fields.pedals).toEqual(before.pedals);
    const learned: Learned[] = [
      { lesson: { asks: "in", track: 0 }, pressed: press("key 1") },
      { lesson: { asks: "out", track: 0 }, pressed: press("key 1") },
    ];
    expect(boxTaught(1, learned, before).fields.pedals[0]!.name).toBe("Left");
  });
});
