import { describe, expect, it } from "vitest";
import { edit, sampleTones } from "../../../testing/sounds/sample-sounds";
import { bandSheet } from "../parts";
import { addException, set, setEntrances } from "../song/edit";
import { tellMoment } from "../song/moments";
import { outlineOf, timelineOf } from "../song/read";
import type { VersionBody } from "../song/schema";
import { playerTones } from "../sounds";
import { addCue, cuesOf, leaderOf, type Planned, setCue } from ".";

let made = 0;
const makeId = () => `q${made++}`;

/** Cues as "bar.beat who: text". */
function told(body: VersionBody, planned?: Planned): string[] {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const nameOf = (id: string | null) => (id === null ? "all" : body.players[id]!.name);
  return cuesOf(body, bandSheet(body, outline, timeline), timeline, planned).map(
    ({ moment, playerId, text }) => `${moment.songBar}.${moment.beat} ${nameOf(playerId)}: ${text}`,
  );
}

const except = (
  body: VersionBody,
  use: number,
  kind: "stop" | "hold" | "push",
  beats: number,
  cued = false,
) => {
  const outline = outlineOf(body);
  const fields = { ticks: beats * 960, cued, chordId: null };
  return edit(body, addException(outline, { useId: outline.form[use]!.id }, kind, fields, makeId));
};

describe("cues that follow from the other rooms", () => {
  it("begin with the count-in, given by whoever leads", () => {
    const body = sampleTones({});
    expect(told(body)).toEqual(["1.1 all: Ada counts in: a bar of 4/4 at 60"]);
    expect(leaderOf(Object.values(body.players))!.name).toBe("Ada");
  });

  it("say who comes in, who stays out, and how the light and the way change", () => {
    const body = sampleTones({
      0: { light: 2, technique: "picking" },
      1: { role: "out", light: 0 },
      2: { light: 3, technique: "picking" },
      3: { light: 1, technique: "open-strum", capo: 2 },
    });
    expect(told(body).slice(1)).toEqual([
      "1.1 Ada: picking",
      "5.1 Ada: stay out",
      "9.1 Ada: come in, bright",
      "9.1 Ada: picking",
      "13.1 Ada: capo to 2",
      "13.1 Ada: down to ember, from bright",
      "13.1 Ada: strum",
    ]);
  });

  it("say at which bar one comes in and leaves inside a section", () => {
    const body = sampleTones({ 1: { bars: [[1, 3]] } });
    expect(told(body).slice(1)).toEqual(["6.1 Ada: come in here", "8.1 Ada: leave here"]);
  });

  it("tell everybody of stops, holds, pushes, another key, tempo and metre", () => {
    let body = sampleTones({});
    body = except(body, 0, "stop", 2);
    body = except(body, 1, "hold", 4, true);
    body = except(body, 3, "push", 0.5);
    body = edit(body, set("uses", "u2", { shift: 2 }));
    body = edit(body, set("uses", "u3", { shift: 2, bpm: 90 }));
    expect(told(body).slice(1)).toEqual([
      "4.3 all: everybody stops, 2 beats",
      "8.5 all: hold until the sign",
      "9.1 all: everything up 2 semitones, to A",
      "12.4.5 all: A comes half a beat early",
      "13.1 all: 90 a minute from here",
    ]);
  });

  it("name sounds, moves and what feet press", () => {
    const body = sampleTones({ 0: { sound: "A" }, 1: { sound: "B" } }, { A: {}, B: {} }, {}, ["a", "b"]);
    const moved = edit(body, {
      type: "add",
      table: "soundMoves",
      row: {
        id: "m",
        playerId: "p0",
        useId: "u1",
        endsEarly: 0,
        moves: [{ from: 3840, to: 7680, setting: "tone", value: 8, by: "hand" }],
      },
    });
    const tones = new Map([["p0", playerTones(moved, "p0")!]]);
    expect(told(moved, { loops: [], tones }).slice(1)).toEqual([
      "1.1 Ada: sound “A”",
      "5.1 Ada: box: slot 2",
      "5.1 Ada: sound “B”",
      "6.1 Ada: guitar tone 8 of 10, by hand, there by bar 3 of b",
    ]);
  });
});

describe("cues of one's own", () => {
  it("stand at their bar and beat, or on their word; a word that is gone leaves them where they were", () => {
    let body = sampleTones({});
    body = edit(body, addCue({ useId: "u1", tick: 960, text: "Look up" }, makeId));
    body = edit(
      body,
      addCue({ useId: "u2", tick: 0, wordId: "c-l0-w2", text: "Breathe", playerId: "p1" }, makeId),
    );
    expect(told(body).slice(1)).toEqual(["5.2 all: Look up", "11.1 Bo: Breathe"]);
    const [first] = Object.keys(body.cues);
    const moved = edit(body, setCue(first!, { tick: 999_999, danger: true }));
    // No farther than its section: it ends where the next begins.
    expect(told(moved)).toContain("9.1 all: Look up");
    const silent = edit(body, set("uses", "u2", { vocals: false }));
    expect(told(silent)).toContain("9.1 Bo: Breathe");
  });

  it("go with their section, and with the player they are for", () => {
    const body = edit(sampleTones({}), addCue({ useId: "u1", tick: 0, text: "X", playerId: "p1" }, makeId));
    expect(Object.keys(body.cues)).toHaveLength(1);
    const outline = outlineOf(body);
    const timeline = timelineOf(body, outline);
    const [, cue] = cuesOf(body, bandSheet(body, outline, timeline), timeline);
    expect(cue).toMatchObject({ kind: "own", useId: "u1", label: "b" });
    expect(tellMoment(cue!.moment)).toBe("bar 1 of b, beat 1, on “one”");
  });

  it("let who plays count in, and say where somebody comes in", () => {
    const body = sampleTones({});
    const [use] = outlineOf(body).form;
    const first = Object.values(body.players).find(({ name }) => name === "Ada")!;
    const waits = edit(
      body,
      setEntrances(body, use!.id, first.id, [{ kind: "enters", bars: [["half", 2]] }], makeId),
    );
    const said = told(waits);
    expect(said[0]).not.toContain("Ada counts in");
    expect(said.join("; ")).toContain("come in here");
  });
});
