import { describe, expect, it } from "vitest";
import { edit, sampleTones } from "../../../../testing/sounds/sample-sounds";
import { bandSheet } from "../../parts";
import { outlineOf, timelineOf } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import { playerTones } from "../../sounds";
import { cuesOf } from "../derive";
import { addCue } from "../own-cue";
import { bodyActs } from "./body-acts";
import { planBody } from "./body-plan";

function planOf(body: VersionBody) {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const tones = playerTones(body, "p0")!;
  const cues = cuesOf(body, bandSheet(body, outline, timeline), timeline, {
    loops: [],
    tones: new Map([["p0", tones]]),
  });
  const acts = bodyActs(tones.song, cues);
  const plan = planBody(acts);
  const textOf = (id: string | null) => acts.find((act) => act.id === id)?.text ?? null;
  return { acts, plan, first: textOf(plan.firstImpossible) };
}

describe("what one body does in a song", () => {
  it("is possible where a foot has one thing to do at a time", () => {
    const { acts, plan } = planOf(sampleTones({ 0: { sound: "A" }, 1: { sound: "B" } }, { A: {}, B: {} }));
    expect(
      acts.filter(({ takes }) => takes.includes("feet")).map(({ text, moment }) => [text, moment.songBar]),
    ).toEqual([
      ["box: slot 2", 5],
      ["box: slot 1", 13],
    ]);
    expect(acts.filter(({ takes }) => takes.includes("mouth"))).toHaveLength(16);
    expect(plan).toMatchObject({ overload: 0, firstImpossible: null });
  });

  it("finds a capo that moves with no rest, and lets a rest be enough", () => {
    const tight = planOf(sampleTones({ 1: { capo: 2 } }));
    expect(tight.first).toBe("capo to 2");
    const rested = planOf(sampleTones({ 0: { bars: [[0, 2]] }, 1: { capo: 2 }, 3: { bars: null } }));
    const capo = rested.plan.acts.find(
      ({ id }) => rested.acts.find((act) => act.id === id)!.text === "capo to 2",
    );
    // From the end of bar 2 to the first stroke of b: eight seconds for four.
    expect(capo!.slack).toBeGreaterThanOrEqual(0);
  });

  it("puts what is spoken beside one's own singing, and finds when there is too much of it", () => {
    const body = sampleTones({});
    const spoken = edit(
      body,
      addCue({ useId: "u1", tick: 0, text: "Ready", giverId: "p0", sign: "spoken" }, () => "own"),
    );
    expect(planOf(spoken).plan.overload).toBe(0);
    const late = edit(
      body,
      addCue({ useId: "u1", tick: 480, text: "Now", giverId: "p0", sign: "spoken" }, () => "own"),
    );
    const { plan, acts } = planOf(late);
    const said = plan.acts.find(({ id }) => acts.find((act) => act.id === id)!.text.startsWith("gives"))!;
    // The section's first word is sung at second 16: it is said before.
    expect(said.start + said.ms).toBeLessThanOrEqual(16_000);
    const many = Array.from({ length: 4 }, (_, at) =>
      addCue({ useId: "u1", tick: 480, text: `Now ${at}`, giverId: "p0", sign: "spoken" }, () => `own${at}`),
    );
    // Four things of 0.9 s to say in 1.8 s, with a word to sing in between.
    expect(planOf(many.reduce(edit, body)).plan.overload).toBeGreaterThan(0);
  });
});
