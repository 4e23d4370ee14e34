import { setTimeout as wait } from "node:timers/promises";
import { isDeepStrictEqual } from "node:util";
import { asc, eq } from "drizzle-orm";
import { DOCUMENTS, isKind } from "@/core/song/schema";
import type { Body } from "@/document";
import { openFolder } from "@/server/db/open-database";
import { documents, edits, liveEvents } from "@/server/db/schema";
import { replayLog } from "@/server/documents/stored-documents";
import { readState } from "@/server/stage/log";
import { Chance } from "./chance";
import { Editor, type Reach, SHARED } from "./editor";
import { ask } from "./line";
import { type Evening, Follower, Guests, Leader } from "./stage";
import { World } from "./world";

/** What is done to the program while people work with it. */
const FAULTS: Readonly<Record<string, (world: World) => Promise<void>>> = {
  killed: (world) => world.kill(),
  "stood still for 4 s": (world) => world.pause(4000),
  "disk full for 3 s": (world) => world.noSpace(3000),
  "clock an hour on": (world) => world.moveClock(3_600_000, false),
  "clock two hours back, killed": (world) => world.moveClock(-7_200_000, true),
  "power cut": (world) => world.cutPower(),
};
export const FAULT_NAMES = Object.keys(FAULTS);

export type FaultRun = {
  /** The same seed does the same things in the same order. */
  readonly seed: number;
  /** Which faults, one after the other. */
  readonly faults: readonly string[];
  readonly say?: (sentence: string) => void;
};

/** What came of a run: how much was done, and everything that is not as it should be. */
export type FaultResult = {
  readonly edits: number;
  readonly presses: number;
  readonly guests: number;
  readonly wrong: readonly string[];
  /** Why the disk could not be cut or filled; null where it was. */
  readonly whyNoDisk: string | null;
};

const EDITORS = 4;
/** After each fault everybody works on until so much more is acknowledged. */
const WORK = { edits: 40, presses: 4 };
const LONGEST_WORK_MS = 60_000;

/**
 * People edit, lead and join while the program is broken in one way after another; then everything is compared: what was
 * acknowledged is there once, every window shows the same, the log leads to what stands, and nobody is in who was put out.
 */
export async function runFaults({ seed, faults, say = () => {} }: FaultRun): Promise<FaultResult> {
  const chance = new Chance(seed);
  const world = await World.make();
  try {
    const evening = await openEvening(world);
    const { versionId } = evening;
    const about = { address: world.address, versionId, cookie: evening.cookie };
    const editors = await Promise.all(
      Array.from({ length: EDITORS }, (_, at) =>
        Editor.open(`s${seed}w${at}`, about, new Chance(seed + at + 1)),
      ),
    );
    const leader = new Leader(evening, [
      { type: "open", itemId: evening.itemId },
      { type: "start", passage: null, countBars: 1 },
      { type: "hold" },
      { type: "goOn" },
      { type: "undo" },
      { type: "stop" },
    ]);
    const guests = new Guests(evening, evening.code, chance);
    const phone = new Follower(
      evening,
      (await ask(evening.network, "POST", "/api/join", { body: { code: evening.code } }))!.cookie,
    );
    let isOver = false;
    const repeat = async (pauseMs: number, work: () => unknown) => {
      while (!isOver) {
        await work();
        await wait(pauseMs);
      }
    };
    const working = [
      ...editors.map((editor, at) =>
        repeat(25 + 5 * at, async () => {
          editor.edit();
          if (chance.below(80) === 0) await editor.reload();
        }),
      ),
      repeat(150, () => leader.press(() => isOver)),
      repeat(700, () => guests.round()),
    ];
    const acknowledged = () => editors.reduce((sum, { acknowledged: own }) => sum + own.size, 0);
    const work = async () => {
      const [edited, pressed] = [acknowledged() + WORK.edits, leader.acknowledged.size + WORK.presses];
      const began = performance.now();
      while (acknowledged() < edited || leader.acknowledged.size < pressed) {
        if (performance.now() - began > LONGEST_WORK_MS)
          throw new Error(`Expected the work to go on, but got ${acknowledged()} edits of ${edited}.`);
        await wait(50);
      }
    };
    await work();
    for (const name of faults) {
      say(`${name} (after ${acknowledged()} edits, ${leader.acknowledged.size} presses)`);
      await FAULTS[name]!(world);
      await work();
    }
    isOver = true;
    await Promise.all(working);
    const wrong = [...guests.intrusions, ...(await guests.wrong())];
    await settled(editors, about);
    const stageState = await settledStage(evening, phone);
    for (const one of [...editors, phone]) one.stop();
    await world.stop();
    wrong.push(...(await judge(world, versionId, editors, leader, evening.eveningId, stageState)));
    return {
      edits: acknowledged(),
      presses: leader.acknowledged.size,
      guests: guests.all.length,
      wrong,
      whyNoDisk: world.whyNoDisk,
    };
  } finally {
    await world.remove();
  }
}

/** The demo evening, opened to the network, with a song that everybody edits. */
async function openEvening(world: World) {
  const { address } = world;
  const home = await (await fetch(address)).text();
  const eveningId = /\/evening\/([\w-]+)/u.exec(home)![1]!;
  const opened = await ask(address, "POST", "/api/network", {
    body: { act: "open", eveningId, passphrase: "rope and tallow" },
  });
  const { player, addresses } = opened!.body as { player: { code: string }; addresses: string[] };
  const port = new URL(addresses[0] ?? `http://x:${world.port + 1}`).port;
  const { cookie } = opened!;
  const read = await ask(address, "GET", `/api/documents/${eveningId}`, { cookie });
  const { items } = (
    read!.body as { body: { items: Record<string, { id: string; versionId: string | null }> } }
  ).body;
  const item = Object.values(items).find((one) => one.versionId !== null)!;
  const versionId = item.versionId!;
  const row = { id: SHARED, order: "V", name: "Everybody's", kind: "sheet", text: "" };
  const { revision } = (await ask(address, "GET", `/api/documents/${versionId}`, { cookie }))!.body;
  await ask(address, "POST", `/api/documents/${versionId}/edits`, {
    body: { editId: "shared", base: revision, command: { type: "add", table: "sources", row } },
    cookie,
  });
  const evening: Evening = { address, network: `http://127.0.0.1:${port}`, eveningId, cookie };
  return { ...evening, versionId, itemId: item.id, code: player.code };
}

/**
 * Waits until every window has sent what it had and heard what others did, and the program has nothing they have not heard:
 * what a window had sent before it was closed may come late.
 */
async function settled(editors: readonly Editor[], { address, versionId, cookie }: Reach): Promise<void> {
  for (let [tries, quiet] = [0, 0]; tries < 300 && quiet < 5; tries++) {
    const said = await ask(address, "GET", `/api/documents/${versionId}`, { cookie });
    const isQuiet = editors.every((one) => one.isSaved && one.revision === said?.body.revision);
    quiet = isQuiet ? quiet + 1 : 0;
    await wait(100);
  }
}

/** Waits until a phone is as far as the leader's last press. @returns what it shows */
async function settledStage(evening: Evening, phone: Follower) {
  const { address, eveningId, cookie } = evening;
  for (let tries = 0; tries < 100; tries++) {
    const said = await ask(address, "GET", `/api/stage/${eveningId}/events?since=${phone.state.lastId}`, {
      cookie,
    });
    if ((said?.body.events as unknown[] | undefined)?.length === 0) break;
    await wait(100);
  }
  return phone.state;
}

/** The rows that are not alike in two bodies. */
function differences(shown: Body, stands: Body): string {
  const tables = new Set([...Object.keys(shown), ...Object.keys(stands)]);
  return [...tables]
    .flatMap((table) => {
      const [a, b] = [shown[table] ?? {}, stands[table] ?? {}];
      const ids = new Set([...Object.keys(a), ...Object.keys(b)]);
      return [...ids].filter((id) => !isDeepStrictEqual(a[id], b[id])).map((id) => `${table} ${id}`);
    })
    .slice(0, 5)
    .join(", ");
}

/** Everything that is not as it should be in what the program has left on the disk. */
async function judge(
  world: World,
  versionId: string,
  editors: readonly Editor[],
  leader: Leader,
  eveningId: string,
  shown: unknown,
): Promise<string[]> {
  const wrong: string[] = [];
  const { database, close } = await openFolder(world.data);
  const log = await database
    .select()
    .from(edits)
    .where(eq(edits.documentId, versionId))
    .orderBy(asc(edits.revision));
  const counts = new Map<string, number>();
  for (const { editId } of log) counts.set(editId, (counts.get(editId) ?? 0) + 1);
  for (const editor of editors)
    for (const editId of editor.acknowledged)
      if (counts.get(editId) !== 1)
        wrong.push(`edit ${editId} was acknowledged and is there ${counts.get(editId) ?? 0} times`);
  if (log.some(({ revision }, at) => revision !== at + 1)) wrong.push("the log has a gap");
  const all = await database.select().from(documents);
  for (const { id, kind, body, revision } of all) {
    if (!isKind(kind) || !DOCUMENTS[kind]) wrong.push(`${id} is of no kind`);
    if (!isDeepStrictEqual(await replayLog(database, id), body))
      wrong.push(`the log of ${id} leads elsewhere`);
    if (id === versionId && revision !== log.length)
      wrong.push(`${id} is at ${revision}, its log at ${log.length}`);
  }
  const stands = all.find(({ id }) => id === versionId)!.body;
  for (const [at, editor] of editors.entries()) {
    if (!editor.isSaved) wrong.push(`window ${at} still waits`);
    if (!isDeepStrictEqual(editor.view, stands))
      wrong.push(
        `window ${at}, at ${editor.revision} of ${log.length}, shows something else: ${differences(editor.view, stands)}`,
      );
  }
  const events = await database.select().from(liveEvents).where(eq(liveEvents.eveningId, eveningId));
  for (const [pressId, event] of leader.acknowledged) {
    const found = events.filter((one) => one.pressId === pressId);
    if (found.length !== 1 || found[0]!.id !== event)
      wrong.push(`${pressId} was acknowledged as event ${event} and is there ${found.length} times`);
  }
  if (!isDeepStrictEqual(await readState(database, eveningId), shown))
    wrong.push("a phone shows another stage");
  await close();
  return wrong;
}
