import { describe, expect, it } from "vitest";
import { LISTS, threeItems } from "../../testing/document/lists";
import { sampleVersion } from "../../testing/song/sample-version";
import {
  add,
  bandEdits,
  type EveningCommand,
  eveningEdits,
  remove,
  set,
  songEdits,
  type VersionCommand,
} from "../core/song/edit";
import { DOCUMENTS } from "../core/song/schema";
import { applyEdit } from ".";

/** Takes a command of a version, as the act of an open song does. */
const act = (command: VersionCommand): string => command.type;
const actOnEvening = (command: EveningCommand): string => command.type;

describe("commands are typed by table", () => {
  it("what is there compiles", () => {
    expect(act(set("chords", "c", { ticks: 960 }))).toBe("set");
    expect(act(remove("lines", { id: "l" }))).toBe("remove");
    expect(act(add("dismissals", { id: "d", finding: "f", reason: "" }))).toBe("add");
    expect(actOnEvening(eveningEdits.set("items", "i", { minutes: 3 }))).toBe("set");
    expect(songEdits.set("song", "s", { title: "Ferry" }).table).toBe("song");
    expect(bandEdits.set("players", "p", { capo: 2 }).table).toBe("players");
  });

  it("what came with a later form may be left out where a row is added, and what was always there may not", () => {
    const step = add("sources", { id: "s", order: "a", name: "By ear" });
    expect(act(step)).toBe("add");
    const applied = applyEdit(DOCUMENTS.version, sampleVersion({}, []), step);
    expect(applied.ok && applied.value.body.sources.s).toEqual({
      id: "s",
      order: "a",
      name: "By ear",
      kind: "sheet",
      text: "",
    });
    // @ts-expect-error a source always had a name
    add("sources", { id: "s", order: "a" });
    // @ts-expect-error and its kind is one of a few
    add("sources", { id: "s", order: "a", name: "By ear", kind: "rumour" });
  });

  it("a table that is not there does not", () => {
    // @ts-expect-error no such table
    act(set("chordz", "c", { ticks: 960 }));
    // @ts-expect-error no such table
    act(remove("chord", { id: "c" }));
    // @ts-expect-error a table of another kind of document
    set("items", "i", { minutes: 3 });
    // @ts-expect-error a command of another kind of document
    act(eveningEdits.set("items", "i", { minutes: 3 }));
    // @ts-expect-error and the other way round
    actOnEvening(set("chords", "c", { ticks: 960 }));
    expect(true).toBe(true);
  });

  it("a field no row has does not", () => {
    // @ts-expect-error misspelt
    set("chords", "c", { tikcs: 3 });
    // @ts-expect-error fields missing, and one that is none
    add("lines", { nonsense: true });
    // @ts-expect-error of the band's players, who have no light
    bandEdits.set("players", "p", { light: 2 });
    // @ts-expect-error an id stays
    set("chords", "c", { id: "d" });
    expect(true).toBe(true);
  });

  it("a value of the wrong kind does not", () => {
    // @ts-expect-error text for ticks
    set("chords", "c", { ticks: "960" });
    // @ts-expect-error no role of a player
    set("players", "p", { role: "drummer" });
    // @ts-expect-error undefined is no value: leave the field out, or say null
    set("uses", "u", { label: undefined });
    // @ts-expect-error a metre has no thirds
    set("version", "v", { meterUnit: 3 });
    expect(true).toBe(true);
  });

  it("bodies and edits of two kinds do not mix", () => {
    const body = sampleVersion({ a: { lines: ["/G:4"] } }, ["a"]);
    // @ts-expect-error a version is no list
    const mixed = () => applyEdit(LISTS, body, { type: "remove", table: "items", id: "a" });
    // @ts-expect-error a list is no version
    const other = () => applyEdit(DOCUMENTS.version, threeItems(), set("version", "v", { bpm: 90 }));
    expect([mixed, other]).toHaveLength(2);
    // @ts-expect-error a row of chords has no such field
    expect(body.chords.x?.colour).toBeUndefined();
  });
});
