import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { heardLayers, planLoops, songLoops, strokeWants } from "@/core/loops";
import { PLAIN_LAYER } from "@/core/loops/of-song/loop-commands";
import { add, type VersionCommand } from "@/core/song/edit";
import { outlineOf, timelineOf } from "@/core/song/read";
import { DOCUMENTS, type VersionBody } from "@/core/song/schema";
import { applyEdit } from "@/document";
import { fakeContext } from "../../../testing/performance/fake-context";
import { sampleVersion } from "../../../testing/song/sample-version";
import { Runner, type Way } from "../runner";
import { Looper, type LooperView, type PlannedLoops, pieceTimes, scoreOfLoops } from "./looper";

const BAR = 3840;
let ids = 0;
const act = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

/** Verse, chorus, verse of four, two and four bars, one beat a second; a thump that goes round in the verses. */
function sample(): { readonly body: VersionBody; readonly planned: PlannedLoops } {
  let body = sampleVersion(
    { verse: { lines: ["Rope/G:4 down/C:4", "bell/G:4 up/D:4"] }, chorus: { lines: ["Ring/Em:4 out/C:4"] } },
    ["verse", "chorus", "verse"],
    [{ sings: true, loops: true, role: "carry" }],
  );
  const row = { ...PLAIN_LAYER, needs: ["mouth" as const], id: "a", originId: null, order: "a", name: "A" };
  body = act(body, add("loopLayers", row));
  const stroke = { layerId: "a", useId: "u0", from: 0, to: 4 * BAR, total: 4 * BAR, want: "on" as const };
  body = act(
    body,
    strokeWants(body, outlineOf(body), [stroke], () => `w${ids++}`),
  );
  const outline = outlineOf(body);
  const song = songLoops(body, outline, timelineOf(body, outline), []);
  return { body, planned: { song, plan: unwrap(planLoops(song.asked!)) } };
}

function run(way: Way, from = 0) {
  const { body, planned } = sample();
  const fake = fakeContext();
  const context = fake.context as unknown as AudioContext;
  const score = scoreOfLoops(planned, way, from);
  const layers = heardLayers(body, planned.song);
  const runner = new Runner<LooperView, Looper>(
    context,
    way,
    score,
    (start) => new Looper(context, planned, way, from, start + score.begin, layers),
    () => {},
  );
  const to = (seconds: number) => {
    while (runner.seconds < seconds - 1e-9) {
      fake.context.currentTime += Math.min(0.025, seconds - runner.seconds);
      runner.step(false);
    }
    return runner.device.view(fake.context.currentTime);
  };
  const press = (pressed: string, instead = false, lateMs = 0) =>
    runner.press({ act: pressed, instead, stamp: 1000 - lateMs }, 1000);
  return { runner, planned, to, press, ...fake };
}

describe("a looper that is shown its plan", () => {
  it("sounds where the plan has it sound, each start at its time", () => {
    const { planned, to, gains, runner } = run("show");
    const track = planned.plan.tracks.findIndex((layersThere) => layersThere.includes("a"));
    expect([pieceTimes(planned), planned.plan.states]).toEqual([
      [0, 16, 24, 40],
      [[track], [], [track]],
    ]);
    expect(to(8).sounding).toEqual([track]);
    expect(to(20)).toMatchObject({
      sounding: [],
      holds: [["a"], ...planned.plan.tracks.slice(1).map(() => [])],
    });
    expect(to(30).shares[track]).toBeCloseTo(6 / 8, 1);
    expect(gains.map(([value, at]) => [value, Math.round((at - runner.start) * 100) / 100])).toEqual([
      [1, 0],
      [0, 16],
      [1, 24],
    ]);
  });

  it("has its beats on the loops' own clock, a bar before where it begins and to the end", () => {
    const { beats, begin, countIn } = scoreOfLoops(sample().planned, "show", 1);
    expect([begin, countIn]).toEqual([16, 4]);
    expect(beats(12, 17).map(({ seconds, isFirst }) => [seconds, isFirst])).toEqual([
      [12, true],
      [13, false],
      [14, false],
      [15, false],
      [16, true],
    ]);
    expect(beats(38.5, 60).map(({ seconds }) => seconds)).toEqual([39]);
    expect(
      scoreOfLoops(sample().planned, "free", 0)
        .beats(38.5, 42)
        .map(({ seconds }) => seconds),
    ).toEqual([39, 40, 41]);
  });
});

describe("a looper under feet", () => {
  it("begins later with what the plan has sounding there", () => {
    const { to } = run("feet", 1);
    expect(to(16.5).sounding).toEqual([0]);
  });

  it("takes a press back for the double press it began, as if it had come at the first", () => {
    const { to, press, runner } = run("feet");
    to(1);
    press("track-0");
    expect(to(1.3).sounding).toEqual([0]);
    press("stop-all", true, 300);
    expect(to(1.4).sounding).toEqual([]);
    expect(
      runner.finished()!.made.map(({ act: made, seconds }) => [made, Math.round(seconds * 100)]),
    ).toEqual([["stop-all", 100]]);
  });

  it("has closed a pass by a press that then stays down for one more layer", () => {
    const { to, press } = run("free");
    to(0);
    press("track-0");
    to(8);
    press("track-0");
    expect(to(8.2).takes).toHaveLength(1);
    press("overdub-0", true);
    expect(to(8.7)).toMatchObject({ sounding: [0], holds: [["a"], ...Array(1).fill([])] });
  });

  it("records the next layer of the build on an empty box, and goes round with it", () => {
    const { to, press } = run("free");
    to(0);
    press("track-0");
    expect(to(2).recording).toEqual({
      track: 0,
      since: expect.any(Number),
      layer: "a",
      also: [],
      over: false,
    });
    to(4);
    press("track-0");
    expect(to(5)).toMatchObject({ recording: null, sounding: [0] });
    expect(to(6).shares[0]).toBeCloseTo(0.5, 1);
    press("none");
    press("overdub-3");
    expect(to(6.5).sounding).toEqual([0]);
  });
});
