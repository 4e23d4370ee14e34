import { expect, it } from "vitest";
import { freshName } from "./fresh-name";

it.each([
  ["Electric", [], "Electric"],
  ["Electric", ["Electric"], "Electric 2"],
  ["Electric", ["Electric", "Electric 2", "Electric 4"], "Electric 3"],
  ["Electric", ["electric"], "Electric"],
])("%s beside %j is %s", (name, taken, fresh) => expect(freshName(name, taken)).toBe(fresh));

it("takes names as one that are alike", () =>
  expect(freshName("Electric", [" electric "], (one) => one.trim().toLowerCase())).toBe("Electric 2"));
