import { describe, expect, it } from "vitest";
import { remembered } from "./remembered";

describe("remembered", () => {
  it("makes an answer anew only when what it is made from has changed", () => {
    let made = 0;
    const sum = remembered<[{ readonly a: number; readonly b: number }], number>({
      from: ({ a }) => [a],
      make: (_, { a, b }) => {
        made++;
        return a + b;
      },
    });
    expect([sum({ a: 1, b: 1 }), sum({ a: 1, b: 5 }), sum({ a: 2, b: 5 }), made]).toEqual([2, 2, 7, 2]);
  });

  it("keeps an answer for each key, and hands the last of the same key on", () => {
    const lasts: (string | null)[] = [];
    const word = remembered<[{ readonly id: string }, number], string>({
      key: (row) => row,
      from: (_, count) => [count],
      make: (last, { id }, count) => {
        lasts.push(last);
        return `${id}${count}`;
      },
    });
    const [one, two] = [{ id: "a" }, { id: "a" }];
    expect([word(one, 1), word(two, 1), word(one, 2), word(two, 1)]).toEqual(["a1", "a1", "a2", "a1"]);
    expect(lasts).toEqual([null, null, "a1"]);
  });

  it("keeps the answers of two bodies that are looked at in turn, so that each stays the same object", () => {
    const list = remembered<[{ readonly rows: object }], readonly object[]>({
      from: ({ rows }) => [rows],
      make: (_, { rows }) => [rows],
    });
    const [painted, newest] = [{ rows: {} }, { rows: {} }];
    const first = [list(painted), list(newest)];
    for (let turn = 0; turn < 5; turn++) {
      expect(list(painted)).toBe(first[0]);
      expect(list(newest)).toBe(first[1]);
    }
    for (let more = 0; more < 3; more++) list({ rows: {} });
    expect(list(painted)).not.toBe(first[0]);
  });

  it("does not mistake fewer parts for the same ones", () => {
    const count = remembered<[readonly unknown[]], number>({
      from: (parts) => parts,
      make: (_, { length }) => length,
    });
    const row = {};
    expect([count([row, row]), count([row]), count([row, row, row])]).toEqual([2, 1, 3]);
  });

  it("forgets texts when there are too many, and answers all the same", () => {
    const length = remembered<[string], number>({
      key: (text) => text,
      from: () => [],
      make: (_, text) => text.length,
    });
    for (let at = 0; at < 2100; at++) expect(length(`k${at}`)).toBe(`k${at}`.length);
    expect(length("k0")).toBe(2);
  });
});
