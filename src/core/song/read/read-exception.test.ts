import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { readException } from "./read-exception";

describe("what is otherwise, in words", () => {
  it.each([
    ["hit on one, then silence", { kind: "hit", at: "first" }],
    ["stop on the last chord", { kind: "stop", at: "last" }],
    ["hold the last chord until the sign", { kind: "hold", at: "last", cued: true }],
    ["hold for 2 bars", { kind: "hold", length: { count: 2, unit: "bar" } }],
    ["push the first chord", { kind: "push", at: "first" }],
    ["half a beat late on Em", { kind: "late", at: { chord: "Em" }, length: { count: 0.5, unit: "beat" } }],
    ["choke on F♯m7, the last time", { kind: "choke", at: { chord: "F♯m7" }, times: "last" }],
    ["another ending when Bridge follows", { kind: "ending", followedBy: "bridge" }],
    ["another ending before the Bridge, from the second time on", { kind: "ending", times: "later" }],
    ["an extra last line, only the last time", { kind: "extra", times: "last" }],
    ["voices alone, the first time", { kind: "tacet", times: "first" }],
    ["line 2: other words", { kind: "words", line: 2 }],
    ["line 3 is different", { kind: "line", line: 3 }],
    ["other chords", { kind: "chords", line: null }],
  ])("%s", (text, said) => expect(unwrap(readException(text))).toMatchObject(said));

  it("says so where it understands nothing", () => {
    expect(readException("play it blue")).toMatchObject({ ok: false, problem: { code: "not-understood" } });
  });
});
