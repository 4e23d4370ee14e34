import { describe, expect, it } from "vitest";
import { planOfSample, sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { soundBoxOf } from "../of-song";
import { eveningBanks } from ".";

function songOf(title: string, names: readonly string[], level = 0) {
  const cells = Object.fromEntries(names.map((sound, at) => [at, { sound }]));
  const sounds = Object.fromEntries(names.map((name, at) => [name, { level, drive: at % 4 }]));
  const body = sampleTones(cells, sounds, { slots: 2, banks: 2, firstProgram: 20 }, ["a", "b"]);
  const song = tonesOfSample(body);
  return { title, versionId: title, song, plan: planOfSample(song), box: soundBoxOf(body, "p0") };
}

describe("the banks of an evening", () => {
  const one = songOf("One", ["Low", "High"]);

  it("stand one after the other with their programs, alike ones once", () => {
    const laid = eveningBanks([one, songOf("Two", ["Low"]), songOf("Three", ["Low", "High"])], one.box);
    expect(laid.banks.map(({ titles }) => titles)).toEqual([["One", "Three"], ["Two"]]);
    expect(laid.banks.flatMap(({ slots }) => slots.map(({ program, sound }) => [program, sound]))).toEqual([
      [20, "Low"],
      [21, "High"],
      [22, "Low"],
      [23, null],
    ]);
    expect(laid.places.map(({ banks }) => banks)).toEqual([[0], [1], [0]]);
    expect([laid.free, laid.doubled, laid.over]).toEqual([1, 2, 0]);
  });

  it("are not alike when a sound of one name is set otherwise, and may be too many", () => {
    const laid = eveningBanks(
      [one, songOf("Two", ["Low", "High"], 3), songOf("Three", ["Fog", "Bell"])],
      one.box,
    );
    expect(laid.banks).toHaveLength(3);
    expect([laid.doubled, laid.over]).toEqual([0, 1]);
  });
});
