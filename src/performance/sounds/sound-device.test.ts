import { describe, expect, it } from "vitest";
import { tonePresses } from "@/core/sounds";
import { planOfSample, sampleTones, tonesOfSample } from "../../../testing/sounds/sample-sounds";
import { Runner, type Way } from "../runner";
import { type PlannedTones, scoreOfTones, type ToneBoxView, ToneDevice } from "./sound-device";

/** Four sections of sixteen seconds, sounds A B C A on banks of two slots with a gap of half a second. */
function sample(): PlannedTones {
  const cells = { 0: { sound: "A" }, 1: { sound: "B" }, 2: { sound: "C" } };
  const song = tonesOfSample(
    sampleTones(cells, { A: {}, B: { drive: 1 }, C: { delay: "1/4", drive: 1 } }, { slots: 2, gapMs: 500 }),
  );
  const plan = planOfSample(song);
  return { song, plan, presses: tonePresses(song, plan) };
}

function run(way: Way, from = 0) {
  const planned = sample();
  const clock = { currentTime: 50 };
  const sent: (readonly [second: number, bytes: string])[] = [];
  const runner: Runner<ToneBoxView, ToneDevice> = new Runner(
    clock,
    way,
    scoreOfTones(planned, way, from),
    (start) =>
      new ToneDevice(clock, planned, way, from, start, (bytes, inSeconds) =>
        sent.push([Math.round((clock.currentTime + inSeconds - start) * 100) / 100, bytes.join(" ")]),
      ),
    () => {},
  );
  const to = (seconds: number) => {
    while (runner.seconds < seconds - 1e-9) {
      clock.currentTime += Math.min(0.025, seconds - runner.seconds);
      runner.step(false);
    }
    const { box, isSilent } = runner.device.view(clock.currentTime);
    return { place: [box.bank, box.slot], armed: box.armed, isSilent, on: box.on };
  };
  const press = (act: string) => runner.press({ act, instead: false, stamp: 1000 }, 1000);
  return { runner, planned, clock, to, press, sent };
}
const placesOf = ({ plan }: PlannedTones) => plan.steps.map(({ bank, slot }) => [bank, slot]);

describe("a box of sounds that is shown its plan", () => {
  it("stands on the planned place in each section, silent for the gap of a bank change", () => {
    const { planned, to } = run("show");
    const places = placesOf(planned);
    for (const [at, place] of places.entries()) expect(to(16 * at + 8).place).toEqual(place);
    const again = run("show");
    const change = places.findIndex(([bank], at) => at > 0 && bank !== places[at - 1]![0]);
    expect(again.to(16 * change + 0.3).isSilent).toBe(true);
    expect(again.to(16 * change + 0.6).isSilent).toBe(false);
  });

  it("sends each message of the plan once, in time", () => {
    const { to, sent, planned } = run("show");
    to(70);
    const changes = placesOf(planned).filter(
      (place, at, all) => at === 0 || place.join() !== all[at - 1]!.join(),
    );
    expect(sent).toHaveLength(changes.length);
    expect(sent[0]![0]).toBe(0);
    expect(sent.map(([second]) => second)).toEqual(sent.map(([second]) => second).toSorted((a, b) => a - b));
  });

  it("counts four beats before where it begins", () => {
    const score = scoreOfTones(sample(), "show", 1);
    expect([score.begin, score.countIn]).toEqual([16, 4]);
    expect(score.beats(0, 18).map(({ seconds, isFirst }) => [seconds, isFirst])).toEqual([
      [12, true],
      [13, false],
      [14, false],
      [15, false],
      [16, true],
      [17, false],
    ]);
  });
});

describe("a box of sounds under feet", () => {
  it("goes where it is pressed, and tells real gear the program it then stands on", () => {
    const { to, press, sent } = run("free");
    press("slot-1");
    expect(to(0.1).place).toEqual([0, 1]);
    press("slot-1");
    press("arm-1");
    expect(to(0.2)).toMatchObject({ place: [0, 1], armed: 1 });
    press("go");
    expect(to(0.3)).toMatchObject({ place: [1, expect.any(Number)], armed: null, isSilent: true });
    press("nonsense");
    expect(sent).toHaveLength(2);
  });

  it("takes a slot called up by MIDI as its press, and a switch as its pedal", () => {
    const { runner, to } = run("feet");
    to(1);
    expect(runner.device.tell({ do: "program", bank: 0, slot: 1 }, 51)).toBe("slot-1");
    expect(runner.device.tell({ do: "program", bank: 1, slot: 0 }, 51)).toBe("go");
    expect(runner.device.tell({ do: "switch", effect: "drive", on: true }, 51)).toBe("pedal-drive");
    expect(runner.device.tell({ do: "arm", bank: 0 }, 51)).toBe(null);
    expect(to(2)).toMatchObject({ place: [1, 0], armed: 0, on: ["drive"] });
  });

  it("begins where the plan stands there", () => {
    const { planned, to } = run("feet", 2);
    expect(to(31).place).toEqual(placesOf(planned)[1]);
  });

  it("alone has no beats and nothing due", () => {
    const score = scoreOfTones(sample(), "free", 0);
    expect([score.due, score.beats(0, 100), score.end]).toEqual([[], [], Number.POSITIVE_INFINITY]);
  });
});
