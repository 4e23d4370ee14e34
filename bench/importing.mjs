/**
 * What an evening on stage feels of imports, a large edit and backups beside it: how long the main thread keeps others
 * waiting, and what a press of the leader's takes.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { get } from "node:http";
import { tmpdir } from "node:os";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { startServer } from "../scripts/lib/server.mjs";
import { quantiles } from "./large-song.mjs";

const LISTENERS = 20;
const PAUSE_MS = 100;
const ENTRY = "shared-lantern.json";

/** The longest song a text may hold: lines that make some 4,000 chords. */
export const longText = () =>
  Array.from({ length: 80 }, (_, part) => `[Part ${part}]\n${"C D Em G D C Am D G C\n".repeat(5)}`).join(
    "\n",
  );

/** A score of so many bars, a chord in each. */
const score = (bars) =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>V</part-name></score-part></part-list><part id="P1">${Array.from(
    { length: bars },
    (_, bar) =>
      `<measure number="${bar + 1}">${bar === 0 ? "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>" : ""}<harmony><root><root-step>${"CDEFGAB"[bar % 7]}</root-step></root><kind>major</kind></harmony><note><rest/><duration>4</duration></note></measure>`,
  ).join("")}</part></score-partwise>`;

/** A backup of some 250 MB: one song again and again, under other ids. */
export function largeBackup(file, versionId, megabytes) {
  const content = JSON.parse(strFromU8(unzipSync(file)[ENTRY]));
  const version = content.documents.find(({ id }) => id === versionId);
  const song = content.documents.find(({ id }) => id === version.parentId);
  const size = JSON.stringify(version).length;
  const texts = [];
  for (let number = 0; (number + 1) * size < megabytes * 1e6; number++) {
    const songText = JSON.stringify({ ...song, edits: [] });
    texts.push(songText.replaceAll(song.id, `song${number}`));
    const text = JSON.stringify({ ...version, parentId: `song${number}`, edits: [] });
    texts.push(text.replaceAll(version.id, `version${number}`));
  }
  const whole = `{"form":1,"savedAt":"","documents":[${texts.join(",")}],"notes":[]}`;
  return { bytes: zipSync({ [ENTRY]: strToU8(whole) }, { level: 1 }), megabytes: whole.length / 1e6 };
}

function listen(address, eveningId) {
  const asked = get(`${address}/api/stage/${eveningId}/live?since=0`, (answer) => answer.resume());
  asked.on("error", () => {});
  return asked;
}

export async function benchImporting({ megabytes = 250 } = {}) {
  const data = mkdtempSync(path.join(tmpdir(), "lantern-bench-"));
  const delayFile = path.join(data, "loop-delay");
  const preload = path.resolve("scripts", "lib", "loop-delay.mjs");
  const server = await startServer({
    data,
    env: { NODE_OPTIONS: `--import=${preload}`, LOOP_DELAY: delayFile },
  });
  const ask = async (place, body) => {
    const response = await fetch(
      server.address + place,
      body instanceof Uint8Array
        ? { method: "POST", body }
        : body && {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify(body),
          },
    );
    return { status: response.status, answer: Buffer.from(await response.arrayBuffer()) };
  };
  const said = ({ answer }) => JSON.parse(answer.toString("utf8"));
  const readDelay = async () => {
    writeFileSync(delayFile, "");
    for (;;) {
      await wait(60);
      const text = readFileSync(delayFile, "utf8");
      if (text !== "") return JSON.parse(text);
    }
  };
  const home = (await ask("/")).answer.toString("utf8");
  const [, eveningId] = /\/evening\/([\w-]+)/u.exec(home);
  const lines = Array.from({ length: LISTENERS }, () => listen(server.address, eveningId));
  let number = 0;
  const press = async (act) => {
    const began = performance.now();
    const { status } = await ask(`/api/stage/${eveningId}/press`, {
      act,
      pressId: `bench${number++}`,
      pressedAt: null,
    });
    return { ms: performance.now() - began, status };
  };
  const acts = [{ type: "hold" }, { type: "goOn" }];
  /** Presses all the while some work is done, and says what both felt. */
  const beside = async (name, work) => {
    await readDelay();
    let isDone = false;
    const times = [];
    const pressing = (async () => {
      for (let at = 0; !isDone || times.length < 3; at++) {
        times.push((await press(acts[at % 2])).ms);
        await wait(PAUSE_MS);
      }
    })();
    const began = performance.now();
    const status = await work();
    const tookMs = performance.now() - began;
    isDone = true;
    await pressing;
    const delay = await readDelay();
    const q = quantiles(times);
    console.log(
      `beside a running stage, ${name} (${status}, ${(tookMs / 1000).toFixed(1)} s): main thread late p99 ${delay.p99.toFixed(1)} ms, at most ${delay.max.toFixed(0)} (p99 at most 20); ${times.length} presses median ${q.median.toFixed(0)} ms, p95 ${q.p95.toFixed(0)}, longest ${Math.max(...times).toFixed(0)}`,
    );
  };
  try {
    const [item] = Object.values(said(await ask(`/api/documents/${eveningId}`)).body.items);
    await press({ type: "open", itemId: item.id });
    await press({ type: "start", passage: null, countBars: 1 });
    await beside("nothing", async () => {
      await wait(4000);
      return "-";
    });
    let versionId = "";
    await beside("five texts of 4,000 chords", async () => {
      let last;
      for (let at = 0; at < 5; at++)
        last = await ask("/api/songs", { text: longText(), title: `Long ${at}` });
      ({ versionId } = said(last));
      return last.status;
    });
    const base64 = Buffer.from(score(20_000)).toString("base64");
    await beside("a score of 20,000 bars", async () => {
      const made = await ask("/api/songs", { name: "score.musicxml", base64 });
      return made.status;
    });
    const { body, revision } = said(await ask(`/api/documents/${versionId}`));
    const rows = Object.values(body.chords).slice(0, 9000);
    const commands = rows.map(({ id }) => ({ type: "set", table: "chords", id, fields: { symbol: "F#m7" } }));
    await beside(`an edit of ${commands.length} commands`, async () => {
      const command = { type: "batch", label: "All", commands };
      const sent = await ask(`/api/documents/${versionId}/edits`, {
        editId: "large",
        base: revision,
        command,
      });
      return sent.status;
    });
    let file;
    await beside("a backup saved", async () => {
      const saved = await ask("/api/backup");
      file = saved.answer;
      return saved.status;
    });
    const large = largeBackup(file, versionId, megabytes);
    await beside(`a backup of ${large.megabytes.toFixed(0)} MB brought back`, async () => {
      const brought = await ask("/api/backup", large.bytes);
      return brought.status;
    });
  } finally {
    for (const line of lines) line.destroy();
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
