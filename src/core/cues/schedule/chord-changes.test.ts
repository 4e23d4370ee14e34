import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { edit, sampleTones } from "../../../../testing/sounds/sample-sounds";
import { bandSheet, planRequest, planShapes } from "../../parts";
import { outlineOf, timelineOf } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import { playerTones } from "../../sounds";
import { cuesOf } from "../derive";
import { addCue, ownCues } from "../own-cue";
import { bodyActs } from "./body-acts";
import { planBody } from "./body-plan";
import { changeMs, chordChanges } from "./chord-changes";
import { moveCue, movesOfCue } from "./move-cue";

const changesOf = (body: VersionBody, id = "p0") => {
  const player = body.players[id]!;
  const timeline = timelineOf(body);
  return { timeline, changes: chordChanges(timeline, planShapes(planRequest(body, player)), player.level) };
};

describe("chordChanges", () => {
  it("has every change at its place, each time round, and none where the shape stays", () => {
    const body = sampleVersion({ verse: { lines: ["a/G:4 b/C:2 c/C:2 d/D:4"] } }, ["versex2"], [{}]);
    const { changes } = changesOf(body);
    expect(changes.map(({ tick, from, to }) => [tick / 960, from, to])).toEqual([
      [4, "G", "C"],
      [8, "C", "D"],
      [12, "D", "G"],
      [16, "G", "C"],
      [20, "C", "D"],
    ]);
    expect(changes.every(({ ms }) => ms > 40 && ms < 1000)).toBe(true);
  });

  it("takes a hand that is learning longer", () => {
    expect(changeMs(6, "fluent")).toBe(220);
    expect(changeMs(6, "beginner")).toBe(396);
    expect(changeMs(0, "fluent")).toBe(40);
  });
});

describe("the left hand in a body's plan", () => {
  const scheduled = (body: VersionBody) => {
    const tones = playerTones(body, "p0")!;
    const timeline = timelineOf(body, outlineOf(body));
    const cues = cuesOf(body, bandSheet(body), timeline);
    return { acts: bodyActs(tones.song, cues, changesOf(body).changes), cues, song: tones.song };
  };

  it("leaves a shape after its last stroke and is there by the next, and is late where that is too quick", () => {
    const { acts } = scheduled(sampleTones({}));
    const left = acts.filter(({ takes }) => takes[0] === "left hand");
    expect(left.length).toBeGreaterThan(0);
    expect(planBody(left).overload).toBe(0);
    const quick = left.map((one) => ({ ...one, ms: one.until - one.from + 50 }));
    expect(planBody(quick.slice(0, 1)).overload).toBeCloseTo(50);
  });

  it("offers to move what is one's own to choose, by whole beats within its section, and does it", () => {
    const body = edit(
      sampleTones({}),
      addCue({ useId: "u1", tick: 1920, text: "Now", giverId: "p0" }, () => "own"),
    );
    const { cues, song } = scheduled(body);
    const cue = cues.find(({ own }) => own !== null)!;
    const span = song.soundUses.find((one) => one.span.use.id === "u1")!.span;
    expect(movesOfCue(cue, span, 960)).toEqual([-1920, -960, 960, 1920, 3840]);
    const moved = edit(body, moveCue(body, cue, span.from, -960)!);
    expect(ownCues(moved)[0]).toMatchObject({ tick: 960, wordId: null });
    const stop = cues.find(({ own, move }) => own === null && move === null)!;
    expect(movesOfCue(stop, span, 960)).toEqual([]);
    expect(moveCue(body, stop, span.from, 960)).toBeNull();
  });
});
