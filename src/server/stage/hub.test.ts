import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { applyLive, type LeaderAct, type LiveMessage, type LiveState } from "@/core/stage";
import { sampleEvening } from "../../../testing/server/sample-evening";
import { type Database, openFolder } from "../db/open-database";
import { createDocuments, takeEdit } from "../documents/stored-documents";
import { announce } from "../live";
import { LiveSession } from "./hub";
import { eventsSince, KEEP_EVERY, readState } from "./log";

let database: Database;
let close: () => Promise<void>;
let now = 1_000_000;
const clock = () => now;

let mark = 0;
/** The evening of this test and its song's version. */
let [eveningId, versionId] = ["", ""];

beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
beforeEach(async () => {
  now = 1_000_000;
  mark++;
  [eveningId, versionId] = [`E${mark}`, `V${mark}`];
  await createDocuments(database, sampleEvening(`${mark}`));
});
afterAll(() => close());

const open = async () => (await LiveSession.open(database, eveningId, clock))!;
let presses = 0;
const press = (session: LiveSession, act: LeaderAct, pressedAt: number | null = null) =>
  session.press({ act, pressId: `p${presses++}`, pressedAt });

/** Listens and remembers. */
async function ear(session: LiveSession, since = 0) {
  const heard: (LiveMessage & { now: number })[] = [];
  let ended = 0;
  const stop = await session.listen(
    {
      send: (chunk) => heard.push(JSON.parse(/data: (.*)/u.exec(new TextDecoder().decode(chunk))![1]!)),
      end: () => ended++,
      guestId: "guest",
    },
    since,
  );
  return { heard, stop, ended: () => ended };
}

describe("LiveSession", () => {
  it("knows no evening that is not there", async () => {
    expect(await LiveSession.open(database, "none", clock)).toBeNull();
  });

  it("begins at the first song, and tells everybody what the leader presses", async () => {
    const session = await open();
    expect(session.state.items.map(({ title }) => title)).toEqual(["Rope", "Welcome"]);
    const { heard, stop } = await ear(session);
    expect(heard.map(({ type }) => type)).toEqual(["whole", "beat"]);
    now += 500;
    expect(await press(session, { type: "start", passage: null, countBars: 1 })).toMatchObject({ ok: true });
    expect(heard.at(-1)).toMatchObject({ type: "event", event: { id: 2, at: 1_000_500 }, now: 1_000_500 });
    expect(session.following).toBe(1);
    stop();
    await press(session, { type: "stop" });
    expect(heard).toHaveLength(3);
    expect(session.following).toBe(0);
  });

  it("goes on from where it was after a restart with the clock set back an hour", async () => {
    const session = await open();
    now += 500;
    await press(session, { type: "start", passage: null, countBars: 1 });
    now += 900;
    await press(session, { type: "repeat" });
    now -= 3_600_000;
    const again = await open();
    expect(again.now()).toBe(session.state.lastAt);
    now += 2000;
    expect(again.now()).toBe(session.state.lastAt + 2000);
    expect(await press(again, { type: "stop" })).toMatchObject({ ok: true });
    expect(again.state.lastAt).toBe(session.state.lastAt + 2000);
  });

  it("tells who comes back after a restart at once, and that the songs are the same as soon as they are read", async () => {
    const session = await open();
    await press(session, { type: "next" });
    const again = await open();
    const { heard, stop } = await ear(again, session.state.lastId);
    expect(heard).toMatchObject([{ type: "beat", lastId: 2, songs: null }]);
    await expect.poll(() => heard.length, { timeout: 5000 }).toBe(2);
    expect(heard[1]).toMatchObject({ type: "beat", lastId: 2, songs: `${versionId}:0` });
    stop();
  });

  it("finds after a restart what a song has become meanwhile", async () => {
    const session = await open();
    const command = { type: "set", table: "version", id: "v", fields: { bpm: 66 } } as const;
    const outcome = await takeEdit(database, versionId, { editId: "slower", base: 0, command });
    expect(outcome.status).toBe("done");
    const again = await open();
    const { heard, stop } = await ear(again, session.state.lastId);
    await expect.poll(() => again.state.items[0]!.passages[0]!.bpm, { timeout: 5000 }).toBe(66);
    await expect.poll(() => heard.map(({ type }) => type)).toEqual(["beat", "event", "beat"]);
    stop();
  });

  it("takes a press that is sent twice once, and refuses what can't be done", async () => {
    const session = await open();
    const sent = { act: { type: "next" } as const, pressId: `twice${mark}`, pressedAt: null };
    const [first, second] = await Promise.all([session.press(sent), session.press(sent)]);
    expect(second).toEqual(first);
    expect(await press(session, { type: "next" })).toEqual({
      ok: false,
      reason: "That was the last of the running order.",
    });
    expect(session.state.lastId).toBe(2);
  });

  it("believes when a press was made, a quarter of a second back at most, and time never goes back", async () => {
    const session = await open();
    const at = async (pressedAt: number) => {
      const pressed = await press(session, { type: "open", itemId: "one" }, pressedAt);
      return pressed.ok ? pressed.event.at : null;
    };
    now = 2_000_000;
    expect(await at(1_999_900)).toBe(1_999_900);
    expect(await at(1_900_000)).toBe(1_999_900);
    expect(await at(3_000_000)).toBe(2_000_000);
    now = 1_500_000;
    expect(await at(1_500_000)).toBe(2_000_000);
  });

  it("is where it was after a restart, also when the log was written down in between", async () => {
    const session = await open();
    for (let round = 0; round < KEEP_EVERY + 5; round++) {
      now += 10;
      await press(session, { type: "start", passage: null, countBars: round % 3 });
    }
    const again = await open();
    expect(again.state).toEqual(session.state);
    expect(await readState(database, eveningId)).toEqual(session.state);
  });

  it("gives who comes back what was missed, from any id", async () => {
    const session = await open();
    const states: LiveState[] = [session.state];
    for (const type of ["next", "undo", "next", "undo"] as const) {
      await press(session, { type });
      states.push(session.state);
    }
    for (const state of states) {
      const { heard, stop } = await ear(session, state.lastId);
      stop();
      const reached = heard.reduce<LiveState>(
        (from, message) =>
          message.type === "whole"
            ? message.state
            : message.type === "event"
              ? applyLive(from, message.event)
              : from,
        state,
      );
      expect(heard.some(({ type }) => type === "whole")).toBe(false);
      expect(reached).toEqual(session.state);
    }
    const ahead = await ear(session, 999);
    ahead.stop();
    expect(ahead.heard[0]).toMatchObject({ type: "whole" });
    expect(await eventsSince(database, eveningId, 3)).toHaveLength(session.state.lastId - 3);
  });

  it("tells the others though one listener's line is gone", async () => {
    const session = await open();
    let calls = 0;
    const broken = () => {
      if (calls++ > 1) throw new TypeError("closed");
    };
    await session.listen({ send: broken, end: () => {}, guestId: null }, 0);
    const { heard } = await ear(session);
    expect(await press(session, { type: "next" })).toMatchObject({ ok: true });
    expect(heard.at(-1)).toMatchObject({ type: "event" });
    expect(session.following).toBe(1);
  });

  it("reads a song anew when it is edited, and ends the line of who is put out", async () => {
    const session = await open();
    const { heard, ended } = await ear(session);
    const outcome = await takeEdit(database, versionId, {
      editId: "longer",
      base: 0,
      command: { type: "set", table: "version", id: "v", fields: { bpm: 90 } },
    });
    if (outcome.status !== "done") throw new Error(outcome.status);
    announce(versionId, outcome.edit);
    await expect.poll(() => session.state.items[0]!.passages[0]!.bpm).toBe(90);
    expect(heard.at(-1)).toMatchObject({ type: "beat", songs: `${versionId}:1` });
    session.dismiss(["other"]);
    expect(ended()).toBe(0);
    session.dismiss(["guest"]);
    expect(ended()).toBe(1);
  });
});
