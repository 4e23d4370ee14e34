import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { itemOf, type PackedSong, placeAt, type StagePack } from "@/core/stage";
import { SAMPLE_ITEMS, samplePassage } from "../../../../testing/stage/sample-live";
import { OwnLine, type OwnSong } from "./own-line";
import { type NamesHere, StageLine } from "./stage-line";

const AS_READ: NamesHere = { shows: "", writing: "", accidentals: "", lines: "" };
const [ITEM] = SAMPLE_ITEMS;

const packed = (person: string, revision: number): StagePack => ({
  person,
  songs: [{ itemId: "one", versionId: "v1", revision } as PackedSong],
});
const song = (revision: number, passages = ITEM!.passages): OwnSong => ({
  item: { ...ITEM!, passages },
  pack: packed("ann", revision),
  people: [{ person: "ann", name: "Ann", instrument: "guitar" }],
});

let asked: string[] = [];
let isGone = false;
let line: OwnLine;

beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
  asked = [];
  isGone = false;
  vi.stubGlobal("fetch", async (place: string, init?: RequestInit) => {
    if (isGone) throw new TypeError("no network");
    asked.push(`${init?.method ?? "GET"} ${place}`);
    const person = new URL(place, "http://here").searchParams.get("person") ?? "";
    return place.includes("/pack")
      ? Response.json(packed(person, 9))
      : Response.json({ notes: [{ versionId: "v1", useId: "verse", text: "soft" }] });
  });
  line = new OwnLine("v1", song(1), AS_READ);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const live = () => line.store.getState();
const place = () => {
  const state = StageLine.stateOf(live());
  return placeAt(itemOf(state)!.passages, state.transport, line.now())!;
};

describe("OwnLine", () => {
  it("has all of it from the beginning on, and is led here", () => {
    expect(live()).toMatchObject({ line: "own", role: "leader", person: "ann", pack: packed("ann", 1) });
    expect(place()).toMatchObject({ phase: "waiting", index: 0 });
    expect(asked).toEqual([]);
  });

  it("runs by presses made here, told as of when they were made, and sends nobody anything", async () => {
    isGone = true;
    await line.press({ type: "start", passage: null, countBars: 0 }, 200);
    const { at } = live().follower.state.transport;
    expect(at).toBe(999_800);
    vi.advanceTimersByTime(4500);
    expect(place()).toMatchObject({ phase: "playing", index: 0, bar: 2 });
    await line.press({ type: "circle" });
    vi.advanceTimersByTime(6000);
    expect(place()).toMatchObject({ index: 0, circles: true });
    await line.press({ type: "undo" });
    vi.advanceTimersByTime(8000);
    expect(place().index).toBe(1);
  });

  it("says what can’t be done, and does nothing", async () => {
    const before = live().follower;
    await line.press({ type: "hold" });
    expect(live().follower).toBe(before);
    expect(live().said).toEqual({ text: "Nothing is playing that could be held.", count: 1 });
  });

  it("takes an edit up under the running clock, in the names it is shown in", async () => {
    await line.press({ type: "jump", passage: "chorus 0", when: "now" });
    await line.press({ type: "start", passage: null, countBars: 0 });
    vi.advanceTimersByTime(1500);
    line.take(song(2, [samplePassage("intro 0", 1), ...ITEM!.passages]), AS_READ);
    expect(place()).toMatchObject({ index: 2, phase: "playing", bar: 3 });
    expect(live().pack).toEqual(packed("ann", 2));
    line.tellNames({ ...AS_READ, shows: "degrees" });
    await vi.waitFor(() => expect(live().pack?.songs[0]?.revision).toBe(9));
    line.take(song(3), AS_READ);
    await vi.waitFor(() => expect(asked.filter((one) => one.includes("shows=degrees"))).toHaveLength(2));
    expect(live().pack).toEqual(packed("ann", 9));
  });

  it("shows somebody else’s part and notes when asked to", async () => {
    await line.choose("bo");
    expect(live()).toMatchObject({ person: "bo", pack: packed("bo", 9), notes: [{ text: "soft" }] });
    expect(asked).toEqual(["GET /api/stage/v1/pack?person=bo", "GET /api/stage/v1/notes?person=bo"]);
  });

  it("keeps a note that found no server, and sends it with the next", async () => {
    isGone = true;
    line.note({ versionId: "v1", useId: "verse", text: "wait" });
    await vi.waitFor(() => expect(live().said.text).toBe("The note did not reach the server."));
    expect(live()).toMatchObject({ notes: [{ text: "wait" }], unsent: [{ text: "wait" }] });
    isGone = false;
    line.note({ versionId: "v1", useId: "chorus", text: "loud" });
    await vi.waitFor(() => expect(live().unsent).toEqual([]));
    expect(asked.filter((one) => one.startsWith("PUT"))).toHaveLength(2);
  });
});
