import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { samplePassage } from "../../../testing/stage/sample-live";
import { FOOT_OFF, type FootEvent, type FootKey, type FootMeans, LONG_PRESS_MS, stepFoot } from "./foot";
import { pedalAct } from "./foot-act";
import { placeAt } from "./place";
import { applyLive, EMPTY_STATE, itemOf, type LiveState, passagesNow } from "./state";

const GATE = 400;

/** What signals mean, time looked at every 10 ms. */
function meant(
  events: readonly FootEvent[],
  until: number,
  gate = GATE,
): (FootMeans & { readonly told: number })[] {
  let foot = FOOT_OFF;
  const found: (FootMeans & { told: number })[] = [];
  const step = (event: FootEvent, told: number) => {
    const next = stepFoot(foot, event, gate);
    foot = next.foot;
    if (next.means) found.push({ ...next.means, told });
  };
  for (let now = 0; now <= until; now += 10) {
    for (const event of events)
      if (event.type !== "lost" && event.at > now - 10 && event.at <= now) step(event, now);
    step({ type: "time", at: now }, now);
  }
  return found;
}
const down = (at: number, key: FootKey = "on"): FootEvent => ({ type: "down", key, at });
const up = (at: number, key: FootKey = "on"): FootEvent => ({ type: "up", key, at });

describe("a foot on a pedal", () => {
  it("presses once, as of when it went down, and again after the gate", () => {
    expect(meant([down(100), up(180)], 400)).toMatchObject([{ type: "tap", key: "on", at: 100 }]);
    expect(meant([down(100), up(180), down(700), up(750)], 1000)).toHaveLength(2);
    expect(meant([down(100), up(180), down(400), up(450)], 1000)).toHaveLength(1);
    expect(meant([down(100), up(180), down(400), up(450)], 1000, 200)).toHaveLength(2);
  });

  it("does not mind a switch that bounces, a key that repeats, or the other pedal under the same foot", () => {
    expect(meant([down(100), up(104), down(110), up(116), down(125), up(260)], 900)).toHaveLength(1);
    expect(meant([down(100), down(130), down(160), down(190), up(220)], 900)).toHaveLength(1);
    expect(meant([down(100), down(110, "back"), up(180), up(190, "back")], 900)).toMatchObject([
      { type: "tap", key: "on" },
    ]);
  });

  it("means another thing when it is held, told while it is down, and nothing when it is lifted then", () => {
    const held = meant([down(100), up(1500)], 2000);
    expect(held).toMatchObject([{ type: "hold", told: 100 + LONG_PRESS_MS }]);
    expect(
      stepFoot({ ...FOOT_OFF, down: { key: "on", at: 0 } }, { type: "lost" }, GATE).foot.down,
    ).toBeNull();
  });
});

const passages = Array.from({ length: 9 }, (_, at) => samplePassage(`s${at} 0`, 4));
const item = { id: "one", kind: "song", title: "", versionId: "v", note: "", minutes: 0, passages } as const;

/** A press as a foot makes it: how long after the one before it, how long, and how the switch bounces or the key repeats. */
const pressGen = fc.record({
  gap: fc.integer({ min: 450, max: 9000 }),
  length: fc.integer({ min: 30, max: 600 }),
  bounces: fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 4 }),
  repeats: fc.boolean(),
  key: fc.constantFrom<FootKey>("on", "on", "on", "back"),
});

describe("the law of pedals", () => {
  it("no two sections are skipped by one foot, whatever the switch does", () => {
    fc.assert(
      fc.property(
        fc.array(pressGen, { minLength: 1, maxLength: 12 }),
        fc.constantFrom("end" as const, "bar" as const, "now" as const),
        (presses, when) => {
          let at = 0;
          const events: FootEvent[] = [];
          for (const { gap, length, bounces, repeats, key } of presses) {
            at += gap;
            let edge = at;
            events.push(down(edge, key));
            for (const [index, ms] of bounces.entries()) {
              edge += ms;
              events.push(index % 2 === 0 ? up(edge, key) : down(edge, key));
            }
            if (bounces.length % 2 === 1) events.push(down(edge + 2, key));
            if (repeats)
              for (let held = 40; held < length - 5; held += 33)
                events.push(down(at + edge - at + held, key));
            at = edge + length;
            events.push(up(at, key));
          }
          let live: LiveState = EMPTY_STATE;
          const act = (now: number, one: Parameters<typeof applyLive>[1]["act"]) => {
            live = applyLive(live, { id: live.lastId + 1, at: now, act: one });
          };
          act(0, { type: "score", items: [item] });
          act(0, { type: "start", passage: passages[0]!.id, countBars: 0 });
          const taps = meant(events, at + 2000);
          // One press, one meaning.
          expect(taps.length).toBeLessThanOrEqual(presses.length);
          for (const means of taps) {
            if (means.type !== "tap") continue;
            const before = placeAt(passagesNow(live), live.transport, means.told)!;
            const pressed = pedalAct(live, itemOf(live), before, means.key === "on" ? 1 : -1, when);
            if (pressed) act(means.told, pressed);
            const after = placeAt(passagesNow(live), live.transport, means.told)!;
            const goes = after.next === null ? after.index + 1 : after.next;
            expect(Math.abs(after.index - before.index)).toBeLessThanOrEqual(1);
            expect(Math.abs(goes - before.index)).toBeLessThanOrEqual(when === "now" ? 2 : 1);
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  it("a second press before then takes the first back", () => {
    let live: LiveState = EMPTY_STATE;
    const act = (now: number, one: Parameters<typeof applyLive>[1]["act"]) => {
      live = applyLive(live, { id: live.lastId + 1, at: now, act: one });
    };
    act(0, { type: "score", items: [item] });
    act(0, { type: "start", passage: null, countBars: 0 });
    const press = (now: number) => {
      const place = placeAt(passagesNow(live), live.transport, now)!;
      act(now, pedalAct(live, itemOf(live), place, 1, "bar")!);
    };
    const untouched = placeAt(passagesNow(live), live.transport, 9000);
    press(1000);
    expect(live.transport).toMatchObject({ after: "s1 0", leave: 3840 });
    press(2000);
    expect(live.transport).toMatchObject({ after: null, leave: null });
    expect(placeAt(passagesNow(live), live.transport, 9000)).toEqual(untouched);
  });
});
