import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Finding, type Fixing, gather, judge, namesOfPlaces } from "./finding";

type Sample = Finding<
  { readonly kind: string; readonly bars: number },
  { readonly pieces: readonly string[] }
>;
const at = (useId: string | null, more: Partial<Sample> = {}): Sample => ({
  kind: "no-bass",
  bars: 2,
  id: `no-bass ${useId}`,
  useId,
  label: `Place ${useId}`,
  playerIds: ["ann"],
  fixes: [{ pieces: [`${useId}`] }],
  ...more,
});
const fixing: Fixing<Sample["fixes"][number]> = {
  code: () => "loosen",
  join: (a, b) => ({ pieces: [...a.pieces, ...b.pieces] }),
};

describe("findings", () => {
  it("of several places are told once, with what mends them all", () => {
    const [one, ...others] = gather([at("u0"), at("u1", { bars: 3 }), at("u2")], fixing);
    expect(one).toMatchObject({
      id: "no-bass u0",
      ids: ["no-bass u0", "no-bass u2"],
      places: [
        { useId: "u0", label: "Place u0" },
        { useId: "u2", label: "Place u2" },
      ],
      fixes: [{ pieces: ["u0", "u2"] }],
    });
    expect(others.map(({ ids }) => ids)).toEqual([["no-bass u1"]]);
  });

  it("stay apart where the facts, the players or what mends them differ, and for the whole song", () => {
    const apart = [
      at("u0"),
      at("u1", { kind: "idle" }),
      at("u2", { playerIds: ["ben"] }),
      at("u3", { fixes: [] }),
      at(null, { id: "a" }),
      at(null, { id: "b" }),
    ];
    expect(gather(apart, fixing).map(({ ids }) => ids.length)).toEqual([1, 1, 1, 1, 1, 1]);
  });

  it("that are let stand are set apart with their reason, one place at a time", () => {
    const row = { id: "d1", finding: "no-bass u1", reason: "on purpose" };
    const { open, stand } = judge([at("u0"), at("u1"), at("u2")], { d1: row }, fixing);
    expect(open.map(({ ids }) => ids)).toEqual([["no-bass u0", "no-bass u2"]]);
    expect(stand).toEqual([{ finding: at("u1"), rowId: "d1", reason: "on purpose" }]);
  });

  it("law: none is lost and none is told twice", () => {
    const finding = fc.record({
      use: fc.option(fc.nat(5)),
      kind: fc.constantFrom("a", "b"),
      bars: fc.nat(1),
    });
    fc.assert(
      fc.property(fc.array(finding), fc.array(fc.nat(30)), (list, dismissed) => {
        const all = list.map(({ use, kind, bars }, index) =>
          at(use === null ? null : `u${use}`, { kind, bars, id: `f${index}` }),
        );
        const rows = Object.fromEntries(
          dismissed.map((index) => [`d${index}`, { id: `d${index}`, finding: `f${index}`, reason: "" }]),
        );
        const { open, stand } = judge(all, rows, fixing);
        const told = [...open.flatMap(({ ids }) => ids), ...stand.map(({ finding: { id } }) => id)];
        expect(told.toSorted()).toEqual(all.map(({ id }) => id).toSorted());
        for (const one of open) expect(one.fixes[0]!.pieces.length).toBe(one.ids.length);
      }),
    );
  });

  it("name their places once each", () => {
    expect(
      namesOfPlaces([at("a", { label: "Verse" }), at("b", { label: "Chorus" }), at("c", { label: "Verse" })]),
    ).toEqual(["Verse (twice)", "Chorus"]);
    expect(namesOfPlaces([1, 2, 3].map((one) => ({ useId: `${one}`, label: "Verse" })))).toEqual([
      "Verse (3 times)",
    ]);
  });
});
