import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { DOCUMENTS, type EveningBody, type EveningItem, PLAIN_ITEM } from "../song/schema";
import { bestOrder } from "./best-order";
import type { PlayerState, SongEdges } from "./player-states";
import { itemsOf, orderCase, reorderSongs, runningOrder } from "./running-order";

const STANDARD = ["E2", "A2", "D3", "G3", "B3", "E4"];
const player = (name: string, capo: number): PlayerState => ({
  person: name,
  name,
  instrument: "guitar",
  tuning: STANDARD,
  capo,
  bank: null,
  build: null,
});
/** Songs of three minutes by who plays with which capo. */
const SONGS: Readonly<Record<string, SongEdges>> = Object.fromEntries(
  Object.entries({
    one: [player("Ada", 2), player("Bo", 0)],
    two: [player("Ada", 0)],
    three: [player("Ada", 2), player("Bo", 4)],
  }).map(([id, states]) => [id, { seconds: 180, starts: states, ends: states, packs: [] }]),
);
const edgesOf = (item: EveningItem) => SONGS[item.versionId ?? ""] ?? null;
const song = (id: string, order: string, more: Partial<EveningItem> = {}): EveningItem => ({
  ...PLAIN_ITEM,
  id,
  order,
  songId: id,
  versionId: id,
  note: "",
  ...more,
});
const talk = (order: string, minutes: number): EveningItem => ({
  ...song("talk", order),
  kind: "talk",
  songId: null,
  versionId: null,
  minutes,
});

describe("a running order", () => {
  it("adds up music, change-overs and the rest, and says when each begins", () => {
    const { rows, ...sums } = runningOrder([song("one", "a"), song("two", "b"), song("three", "c")], edgesOf);
    expect(sums).toEqual({ music: 540, changeOver: 4 + 8, other: 0 });
    expect(rows.map(({ from }) => from)).toEqual([0, 184, 372]);
    expect(rows.map(({ gap }) => gap?.seconds ?? null)).toEqual([4, 8, null]);
    // Bo sat the second song out and put the capo on meanwhile.
    expect(rows[1]!.gap!.meanwhile.map(({ name, code }) => `${name} ${code}`)).toEqual(["Bo capo"]);
  });

  it("lets a talk cover a change-over", () => {
    const items = [song("one", "a"), talk("b", 2), song("two", "c")];
    const { rows, changeOver, other } = runningOrder(items, edgesOf);
    expect([changeOver, other]).toEqual([0, 120]);
    expect(rows[0]!.gap).toMatchObject({ seconds: 4, covered: 4 });
    expect(rows.map(({ from }) => from)).toEqual([0, 180, 300]);
  });

  it("goes on where a version is gone", () => {
    const { rows } = runningOrder([song("one", "a"), song("gone", "b"), song("two", "c")], edgesOf);
    expect(rows.map(({ gap }) => gap)).toEqual([null, null, null]);
  });

  it("asks for the best order with its pins, and takes it; what is no song stays", () => {
    const items = [
      song("one", "a"),
      talk("b", 0.05),
      song("two", "c"),
      song("three", "d", { place: "opens" }),
    ];
    const asked = orderCase(items, edgesOf);
    expect(asked).toMatchObject({ covered: [3, 0, 0], pins: { opens: 2, last: null, before: [] } });
    const best = bestOrder(asked)!;
    expect(best.order).toEqual([2, 0, 1]);
    const body: EveningBody = {
      evening: {
        e: { id: "e", name: "E", place: "", note: "", targetMinutes: null, day: null, kept: "in use" },
      },
      items: Object.fromEntries(items.map((item) => [item.id, item])),
    };
    const taken = unwrap(applyEdit(DOCUMENTS.evening, body as never, reorderSongs(items, best.order)))
      .body as unknown as EveningBody;
    expect(itemsOf(taken).map(({ id }) => id)).toEqual(["three", "talk", "one", "two"]);
    const before = orderCase([song("one", "a", { beforeId: "two" }), song("two", "b")], edgesOf);
    expect(before.pins.before).toEqual([[0, 1]]);
  });
});
