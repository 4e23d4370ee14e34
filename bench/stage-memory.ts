/**
 * Whether a long evening fills the server's memory: the live session with 50 who listen, a press every ten seconds and a beat
 * every two, with a faster clock; what is held after collection, by the hour.
 */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import type { LeaderAct } from "../src/core/stage";
import { openFolder } from "../src/server/db/open-database";
import { createDocuments } from "../src/server/documents/stored-documents";
import { LiveSession } from "../src/server/stage/hub";
import { sampleEvening } from "../testing/server/sample-evening";

const HOURS = 6;
const [PRESS_MS, BEAT_MS, LISTENERS] = [10_000, 2000, 50];

setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;

const folder = mkdtempSync(path.join(tmpdir(), "lantern-memory-"));
const { database, close } = await openFolder(folder);
await createDocuments(database, sampleEvening(""));
let now = 1_700_000_000_000;
const session = (await LiveSession.open(database, "E", () => now))!;
let heard = 0;
for (let one = 0; one < LISTENERS; one++)
  await session.listen(
    {
      send: (chunk) => {
        heard += chunk.length;
      },
      end: () => {},
      guestId: `g${one}`,
    },
    0,
  );
const acts: LeaderAct[] = [
  { type: "open", itemId: "one" },
  { type: "start", passage: null, countBars: 1 },
  { type: "tempo", bpm: 70, snap: false },
  { type: "jump", passage: "end 0", when: "now" },
  { type: "undo" },
  { type: "hold" },
  { type: "stop" },
];

const used = (): { held: number; rss: number } => {
  collect();
  collect();
  const { heapUsed, external, rss } = process.memoryUsage();
  return { held: (heapUsed + external) / 1e6, rss: rss / 1e6 };
};

const points: { hour: number; held: number; rss: number }[] = [];
let [presses, tries] = [0, 0];
for (let time = 0; time <= HOURS * 3_600_000; time += BEAT_MS) {
  now += BEAT_MS;
  if (time % PRESS_MS === 0) {
    const pressed = await session.press({
      act: acts[tries++ % acts.length]!,
      pressId: `p${tries}`,
      pressedAt: null,
    });
    if (pressed.ok) presses++;
  }
  session.tellBeat();
  if (time % 1_800_000 === 0) points.push({ hour: time / 3_600_000, ...used() });
}
/** The slope of a straight line through points, per hour. */
const slope = (of: (point: (typeof points)[number]) => number, list: typeof points): number => {
  const middle = (value: (point: (typeof points)[number]) => number) =>
    list.reduce((sum, point) => sum + value(point), 0) / list.length;
  const [x, y] = [middle(({ hour }) => hour), middle(of)];
  const over = list.reduce((sum, point) => sum + (point.hour - x) ** 2, 0);
  return list.reduce((sum, point) => sum + (point.hour - x) * (of(point) - y), 0) / over;
};
// The first half hour fills caches.
const settled = points.filter(({ hour }) => hour >= 0.5);
console.log(
  `${HOURS} h of an evening with a faster clock, ${presses} presses, ${LISTENERS} listening (${(heard / 1e6).toFixed(0)} MB sent): held after collection ${settled[0]!.held.toFixed(1)} MB, at the end ${settled.at(-1)!.held.toFixed(1)}, ${slope(({ held }) => held, settled).toFixed(2)} MB an hour (under 1); of the whole process ${settled[0]!.rss.toFixed(0)} and ${settled.at(-1)!.rss.toFixed(0)} MB, ${slope(({ rss }) => rss, settled).toFixed(2)} an hour`,
);
await close();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
