import { describe, expect, it } from "vitest";
import { areEndsSung } from "./sung-ends";
import { lineSyllables } from "./syllables";

describe("ends that are sung", () => {
  it.each([
    ["Die Liebe ist ein Licht", true],
    ["La noche por el camino", true],
    ["O mar não tem portão", true],
    ["Una stella che non dorme", true],
    ["Une lampe dans le port", true],
    ["The name of the stone is home", false],
    ["Home", false],
    ["", false],
  ])("%s: %s", (text, sung) => expect(areEndsSung(text)).toBe(sung));

  it("make a syllable of their own", () => {
    expect(lineSyllables("Die Liebe", true)).toEqual([0, 4, 7]);
    expect(lineSyllables("Give home", true)).toEqual([0, 2, 5, 7]);
    expect(lineSyllables("Give home")).toEqual([0, 5]);
  });
});
