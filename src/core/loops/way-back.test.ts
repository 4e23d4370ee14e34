import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { caseOf, layerOf, madeUpCase, numbersFrom, sectionOf } from "../../../testing/loops/sample-case";
import { unwrap } from "../../base";
import { type BoxAct, type BoxSettings, type BoxState, emptyBox, pressBox, soundingOf } from "./box";
import type { LoopCase } from "./loop-case";
import { type LoopPlan, planLoops } from "./plan";
import { bitsOf, type Press } from "./press";
import { runsOf, sectionBeats } from "./track-runs";
import { recordedTracks } from "./way";
import { wayBack } from "./way-back";

/** Four bars of verse and eight of chorus; chords of four bars through both, a line of two in the chorus. */
const SONG = caseOf({
  layers: [layerOf("chords", { bars: 4, kind: "pitched" }), layerOf("line", { bars: 2, kind: "pitched" })],
  sections: [
    sectionOf("v", 4, "chords:on"),
    sectionOf("c", 8, "chords:on line:on"),
    sectionOf("o", 4, "line:on"),
  ],
  pins: { chords: 0, line: 1 },
});
const PLAN = unwrap(planLoops(SONG));
const told = (section: number, sounding: number[], beats: number, tracks: (number | null)[]) =>
  wayBack(SONG, PLAN, section, sounding, { section: beats, tracks });

describe("the way back from a wrong press", () => {
  it("is nothing where all is as planned and in step", () => {
    expect(told(1, [0, 1], 9, [25, 9])).toEqual({ steps: [], isRight: true, outOfStep: [] });
  });

  it("names the bar where the pass that was taken out comes round again, by hand", () => {
    // The chords began with the verse: in the chorus their passes begin in bars 0 and 4.
    expect(told(1, [1], 5, [null, 5]).steps).toEqual([
      { press: { press: "track", track: 0, effect: "start", late: false }, section: 1, bar: 4 },
    ]);
  });

  it("takes out at once what came in too much, and what sounds out of step, which comes in again at its bar", () => {
    expect(told(0, [0, 1], 3, [3, 1]).steps).toMatchObject([
      { press: { track: 1, effect: "stop" }, section: 0, bar: null },
    ]);
    const late = told(1, [0, 1], 9, [25, 6]);
    expect(late.outOfStep).toEqual([1]);
    expect(late.steps).toMatchObject([
      { press: { track: 1, effect: "stop", late: false }, bar: null },
      { press: { track: 1, effect: "start", late: false }, section: 1, bar: 4 },
    ]);
  });

  it("waits for the next section where no pass begins before, and says so by its first bar", () => {
    expect(told(0, [], 2, [null, null]).steps).toMatchObject([
      { press: { press: "start-all", late: false }, section: 1, bar: 0 },
    ]);
  });
});

const SETTINGS: BoxSettings = {
  tracks: 3,
  allStart: true,
  allStop: true,
  quantised: false,
  sharedLength: false,
  undoLast: true,
};

/** A box whose tracks hold what a plan records; one second is one beat. */
function boxAt(
  asked: LoopCase,
  plan: LoopPlan,
  sounding: readonly number[],
  since: readonly number[],
): BoxState {
  const bars = new Map(asked.layers.map((layer) => [layer.id, layer.bars]));
  return {
    ...emptyBox(asked.looper.tracks),
    tracks: plan.tracks.map((ids, track) => ({
      recorded: ids.map((layer) => ({ layer, seconds: bars.get(layer)! * asked.beatsPerBar })),
      runs: sounding.includes(track),
      since: since[track]!,
    })),
  };
}

const actsOf = (press: Press): BoxAct[] =>
  press.press === "pair"
    ? press.tracks.map((track) => ({ do: "track", track }))
    : press.press === "track"
      ? [{ do: "track", track: press.track }]
      : [{ do: press.press }];

describe("law", () => {
  it("from any wrong state, at any place of the loop, following the advice ends in the plan, in step, by the bar named", () => {
    let followed = 0;
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 4 }),
        fc.boolean(),
        (seed, layers, tracks, sections, muted) => {
          const next = numbersFrom(seed);
          const made = madeUpCase(next, { layers, tracks, sections, either: 20 });
          const asked: LoopCase = {
            ...made,
            looper: { ...made.looper, quantised: false, muted },
            sections: made.sections.map((one) => ({ ...one, bars: Math.ceil(one.bars) * 2 })),
          };
          const planned = planLoops(asked, { trade: false });
          if (!planned.ok) return;
          const plan = planned.value;
          const starts = sectionBeats(asked);
          const recorded = bitsOf(recordedTracks(plan.tracks));
          const end = starts.at(-1)!;
          // Any whole or half beat of the song, any tracks sounding, their loops begun at any beat before.
          let now = next(2 * end) / 2;
          const settings = { ...SETTINGS, ...asked.looper, muted };
          const common = now - next(32) / 2;
          let box = boxAt(
            asked,
            plan,
            recorded.filter(() => next(2) === 0),
            plan.tracks.map(() => (muted ? common : now - next(32) / 2)),
          );
          const sectionAt = (beat: number) => starts.findLastIndex((start) => start <= beat + 1e-9);
          const inside = () => Math.min(asked.sections.length - 1, sectionAt(now));
          const back = () => {
            const section = inside();
            return wayBack(asked, plan, section, bitsOf(soundingOf(box)), {
              section: now - starts[section]!,
              tracks: box.tracks.map((track) => (track.runs ? now - track.since : null)),
            });
          };
          // Advice is asked again only where a section begins; between, it is followed as it was given.
          for (let round = 0; round <= 2 * asked.sections.length; round++) {
            const { steps, isRight } = back();
            const before = inside();
            if (isRight) break;
            for (const { press, section, bar } of steps) {
              const due = bar === null ? now : (starts[section] ?? end) + bar * asked.beatsPerBar;
              expect(due).toBeGreaterThanOrEqual(now - 1e-9);
              now = due;
              for (const act of actsOf(press)) box = pressBox(box, act, settings, now);
            }
            if (now >= end - 1e-9) break;
            if (steps.length > 0 && back().isRight) {
              followed++;
              break;
            }
            if (inside() !== before) continue;
            now = starts[inside() + 1]!;
            if (now >= end - 1e-9) break;
          }
          if (now >= end - 1e-9) return;
          const section = inside();
          const isLast = starts[section + 1]! >= end - 1e-9;
          // In the last section a pass may not begin any more: then what is wanted is silent, and nothing sounds too much.
          const wanted = plan.states[section]!;
          const heard = bitsOf(soundingOf(box));
          expect(heard.filter((track) => !wanted.includes(track))).toEqual([]);
          if (!isLast) expect(heard).toEqual(wanted);
          const runs = runsOf(asked, plan);
          for (const track of heard) {
            const run = runs.find((one) => one.track === track && one.from <= section && section < one.to)!;
            const own = asked.layers.filter(({ id }) => plan.tracks[track]!.includes(id));
            const round = own.some(({ kind }) => kind === "pitched")
              ? Math.max(...own.map(({ bars }) => bars)) * asked.beatsPerBar
              : asked.beatsPerBar;
            const apart = starts[run.since]! - box.tracks[track]!.since;
            expect(Math.abs(apart - Math.round(apart / round) * round)).toBeLessThanOrEqual(0.5);
          }
        },
      ),
      { numRuns: 400 },
    );
    expect(followed).toBeGreaterThan(100);
  });
});
