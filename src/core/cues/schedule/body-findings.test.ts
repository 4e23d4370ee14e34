import { describe, expect, it } from "vitest";
import type { Moment } from "../../song/moments";
import type { BodyAct } from "./body-acts";
import { bodyFindings, describeBodyFinding } from "./body-findings";
import { planBody } from "./body-plan";

/** Nothing is sung there. */
const MOMENT: Moment = {
  tick: 0,
  useId: "u",
  label: "Verse",
  round: null,
  bar: 4,
  songBar: 12,
  beat: 1,
  sung: null,
  before: null,
  next: null,
};

const act = (id: string, from: number, until: number, more: Partial<BodyAct> = {}): BodyAct => ({
  id,
  text: `slot ${id}`,
  takes: ["feet"],
  ms: 300,
  from,
  until,
  tick: from,
  moment: MOMENT,
  label: "Verse",
  cue: null,
  ...more,
});

describe("what one body can't do in time", () => {
  it("is nothing where all can be done", () => {
    const acts = [act("1", 0, 400), act("2", 300, 700)];
    expect(bodyFindings("ann", acts, planBody(acts))).toEqual([]);
  });

  it("is told with its place, by an id that stays while the place does", () => {
    const acts = [act("1", 0, 300), act("2", 0, 310, { label: "" })];
    const [finding, ...others] = bodyFindings("ann", acts, planBody(acts));
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ id: "body ann 0 slot 2", label: "Verse", playerIds: ["ann"], fixes: [] });
    expect(describeBodyFinding(finding!)).toBe(
      "Slot 2 comes too late, bar 4 of Verse, beat 1: the feet are still busy.",
    );
    expect(describeBodyFinding({ ...finding!, takes: ["mouth"] })).toMatch(/the mouth is still busy\.$/u);
    expect(describeBodyFinding({ ...finding!, takes: ["left hand", "right hand"] })).toMatch(
      /the left hand and the right hand are still busy\.$/u,
    );
  });
});
