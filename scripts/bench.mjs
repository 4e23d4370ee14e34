/** `npm run bench`: every figure the issues ask for, as measured on this machine. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
import { benchImporting } from "../bench/importing.mjs";
import { largeSheet, quantiles } from "../bench/large-song.mjs";
import { song } from "../bench/many-songs.mjs";
import { benchFanout } from "../bench/stage-fanout.mjs";
import { benchFeet } from "../bench/stage-feet.mjs";
import { ensureBuilt, ensureChromium, ensureInstalled, run } from "./lib/ready.mjs";

ensureInstalled();
if ((await ensureBuilt()) !== 0 || !ensureChromium()) process.exit(1);
const { chromium } = await import("@playwright/test");
const { CHROMIUM, CHROMIUM_ARGS } = await import("./lib/browser.mjs");
const { crashOnce } = await import("./lib/crash.mjs");
const { startServer } = await import("./lib/server.mjs");

const folder = () => mkdtempSync(path.join(tmpdir(), "lantern-bench-"));
const remove = (name) => rmSync(name, { recursive: true, force: true });
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;

async function benchStart() {
  const empty = [];
  const withData = [];
  for (let round = 0; round < 3; round++) {
    const data = folder();
    const first = await startServer({ data });
    empty.push(first.firstPageMs);
    await first.stop();
    const again = await startServer({ data });
    withData.push(again.firstPageMs);
    await again.stop();
    remove(data);
  }
  console.log(
    `start to first page, median of 3: ${seconds(median(withData))} with data (at most 3.5), ${seconds(median(empty))} with an empty folder (at most 9)`,
  );
}

/** Scripts a page loads until nothing more comes, workers included, gzipped. */
async function scriptSize(page, address) {
  const sizes = new Map();
  page.on("response", async (response) => {
    if (/javascript/u.test(response.headers()["content-type"] ?? ""))
      sizes.set(response.url(), gzipSync(await response.body(), { level: 6 }).length);
  });
  await page.goto(address, { waitUntil: "load" });
  await page.waitForTimeout(3000);
  return { bytes: [...sizes.values()].reduce((sum, size) => sum + size, 0), files: sizes.size };
}

/** Sends JSON to a server; an answer that is not right is an error. */
const posterTo = (server) => async (place, body) => {
  const response = await fetch(server.address + place, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${place}: ${response.status} ${await response.text()}`);
  return response.json();
};

async function benchBrowser() {
  const data = folder();
  const server = await startServer({ data });
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const post = posterTo(server);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(server.address);
  const evening = page.getByRole("region", { name: "Lantern Night at the Net Loft" });
  await evening.getByRole("link", { name: "Lamp on the Water" }).click();
  await page.waitForURL(/\/song\//u);
  const stage = await page.getByRole("link", { name: "Maren’s stage" }).getAttribute("href");
  const fresh = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const { bytes, files } = await scriptSize(fresh, server.address + stage);
  console.log(
    `script of Stage until idle, workers included: ${(bytes / 1000).toFixed(1)} kB gzipped in ${files} files (at most 165)`,
  );
  const [, eveningId] = (await (await fetch(server.address)).text()).match(/\/evening\/([\w-]+)/u);
  const live = await scriptSize(await browser.newPage(), `${server.address}/live/${eveningId}`);
  console.log(
    `script of the live stage: ${(live.bytes / 1000).toFixed(1)} kB gzipped in ${live.files} files (at most 165)`,
  );
  await fresh.keyboard.press("ArrowRight");
  await fresh.waitForTimeout(300);
  const pxPerMm = Math.hypot(1280, 800) / (13 * 25.4);
  const least = async (selector) =>
    Math.min(
      ...(await fresh
        .locator(selector)
        .evaluateAll((all) =>
          all.filter((one) => one.textContent?.trim()).map((one) => one.getBoundingClientRect().height),
        )),
    ) / pxPerMm;
  console.log(
    `stage at 1280×800 on 13 inches: chords ${(await least(".stage-line .sung-chord")).toFixed(1)} mm (at least 10), words ${(await least(".stage-line .sung-words")).toFixed(1)} mm (at least 7)`,
  );

  const { versionId } = await post("/api/songs", { text: largeSheet(40) });
  for (let player = 0; player < 5; player++) {
    const row = {
      id: `p${player}`,
      bandPlayerId: null,
      order: `V${player + 1}`,
      name: `P${player}`,
      instrument: "guitar",
      tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
      capo: 0,
      level: "fluent",
      sings: false,
      range: null,
      light: 2,
      role: "support",
    };
    await post(`/api/documents/${versionId}/edits`, {
      editId: `player${player}`,
      base: player,
      command: { type: "add", table: "players", row },
    });
  }
  const tasks = async (place, act) => {
    const typing = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await typing.goto(server.address + place, { waitUntil: "load" });
    await typing.waitForTimeout(2500);
    await typing.evaluate(() => {
      globalThis.longTasks = [];
      new PerformanceObserver((list) =>
        globalThis.longTasks.push(...list.getEntries().map((entry) => entry.duration)),
      ).observe({ type: "longtask" });
    });
    await act(typing);
    await typing.waitForTimeout(800);
    const found = await typing.evaluate(() => globalThis.longTasks);
    await typing.close();
    return found;
  };
  const inSong = await tasks(`/song/${versionId}`, async (typing) => {
    await typing.getByRole("button", { name: "Change line 1 of Verse 3", exact: true }).click();
    await typing.waitForTimeout(600);
    await typing.evaluate(() => {
      globalThis.longTasks.length = 0;
    });
    for (let round = 0; round < 4; round++) {
      await typing.getByLabel("Words").fill("");
      await typing.getByLabel("Words").pressSequentially(`new words ${round} of the line`, { delay: 15 });
      await typing.getByLabel("Words").press("Enter");
      await typing.waitForTimeout(250);
    }
  });
  const inParts = await tasks(`/song/${versionId}/parts`, async (typing) => {
    for (let round = 0; round < 4; round++) {
      await typing.getByLabel("Note").fill("");
      await typing.getByLabel("Note").pressSequentially(`let it ring ${round}`, { delay: 15 });
      await typing.getByLabel("Note").press("Enter");
      await typing.waitForTimeout(250);
    }
  });
  const say = (list) => (list.length === 0 ? "none" : list.map((ms) => `${Math.round(ms)} ms`).join(", "));
  console.log(
    `tasks over 50 ms while typing, 40 sections and 5 players: Song ${say(inSong)}; Parts ${say(inParts)} (none)`,
  );
  await browser.close();
  await server.stop();
  remove(data);
}

/** How long from a key to the paint after it: a page to press keys on. */
async function pressesToPaint(page) {
  await page.evaluate(() => {
    globalThis.paints = [];
    addEventListener(
      "keydown",
      (event) => {
        const pressed = event.timeStamp;
        requestAnimationFrame(() => {
          const painted = new MessageChannel();
          painted.port1.onmessage = () => globalThis.paints.push(performance.now() - pressed);
          painted.port2.postMessage(null);
        });
      },
      true,
    );
  });
  return async (keys) => {
    await page.evaluate(() => {
      globalThis.paints.length = 0;
    });
    for (const key of keys) {
      await page.keyboard.press(key);
      await page.waitForTimeout(120);
    }
    await page.waitForTimeout(300);
    return quantiles(await page.evaluate(() => globalThis.paints));
  };
}
const round = (keys, times) => Array.from({ length: times }, () => keys).flat();
const say = ({ median: middle, p95, most }) =>
  `median ${middle.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms, slowest ${most.toFixed(0)} ms`;

/** The sheet with 60 sections and 8 players: from a key to what is painted. */
async function benchSheet() {
  const data = folder();
  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const post = posterTo(server);
  const { versionId } = await post("/api/songs", { text: largeSheet(60) });
  const kinds = ["guitar", "guitar", "bass", "keys", "drums", "guitar", "guitar", "voice"];
  const tunings = { guitar: ["E2", "A2", "D3", "G3", "B3", "E4"], bass: ["E1", "A1", "D2", "G2"] };
  for (const [at, instrument] of kinds.entries()) {
    const row = {
      id: `p${at}`,
      bandPlayerId: null,
      order: `V${at + 1}`,
      name: `P${at}`,
      instrument,
      tuning: tunings[instrument] ?? [],
      capo: 0,
      level: "fluent",
      sings: false,
      range: null,
      light: 2,
      role: at === 0 ? "carry" : "support",
    };
    await post(`/api/documents/${versionId}/edits`, {
      editId: `player${at}`,
      base: at,
      command: { type: "add", table: "players", row },
    });
  }
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.address}/song/${versionId}/parts`, { waitUntil: "load" });
  await page.locator('[data-cell="3-3"]').click();
  await page.waitForTimeout(6000);
  const press = await pressesToPaint(page);
  console.log(
    `sheet of 60 × 8 parts, from a key to the paint (at most 50): arrows ${say(await press(round(["ArrowDown", "ArrowRight", "ArrowUp", "ArrowLeft"], 12)))}; selecting ${say(await press(round(["Shift+ArrowDown"], 20)))}; light ${say(await press(round(["3", "1", "4", "2"], 8)))}`,
  );
  await browser.close();
  await server.stop();
  remove(data);
}

/** The ropes of 60 long sections: arrows, from a key to what is painted. */
async function benchRopes() {
  const data = folder();
  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const post = posterTo(server);
  const { versionId } = await post("/api/songs", { text: largeSheet(60) });
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.address}/song/${versionId}/players`, { waitUntil: "load" });
  await page.getByRole("button", { name: "Add an acoustic guitar" }).click();
  await page.getByLabel("has a looper").check();
  await page.waitForTimeout(1000);
  await page.goto(`${server.address}/song/${versionId}/loops`, { waitUntil: "load" });
  for (const name of ["a thump", "a chop", "a clap", "a hum"])
    await page.getByRole("button", { name: `Add ${name}`, exact: true }).click();
  await page.locator("[data-strand]").first().click();
  await page.waitForTimeout(6000);
  const press = await pressesToPaint(page);
  console.log(
    `ropes of 60 sections × 4 layers, from a key to the paint (at most 50): arrows ${say(await press(round(["ArrowRight", "ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp"], 10)))}`,
  );
  await browser.close();
  await server.stop();
  remove(data);
}

/** The Sounds room with 24 sections and 10 sounds: tasks over 50 ms while it is edited, and how soon a plan follows. */
async function benchSounds() {
  const data = folder();
  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const post = posterTo(server);
  const { versionId } = await post("/api/songs", { text: largeSheet(24) });
  let base = 0;
  const edit = (command) =>
    post(`/api/documents/${versionId}/edits`, { editId: `edit${base}`, base: base++, command });
  const { body } = await (await fetch(`${server.address}/api/documents/${versionId}`)).json();
  const player = {
    id: "p0",
    bandPlayerId: null,
    order: "V",
    name: "P0",
    instrument: "guitar",
    tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
    capo: 0,
    level: "fluent",
    sings: false,
    range: null,
    light: 2,
    role: "support",
  };
  await edit({ type: "add", table: "players", row: player });
  for (let at = 0; at < 10; at++) {
    const row = {
      id: `s${at}`,
      originId: null,
      order: `V${at}`,
      playerId: "p0",
      name: `Sound ${at}`,
      fromId: null,
    };
    await edit({ type: "add", table: "sounds", row: { ...row, said: { drive: at % 4 }, note: "" } });
  }
  const uses = Object.values(body.uses).sort((a, b) => (a.order < b.order ? -1 : 1));
  const cell = { light: null, role: null, style: null, strings: null, capo: null, note: null };
  for (const [at, use] of uses.entries()) {
    const row = { id: `c${at}`, useId: use.id, playerId: "p0", ...cell, sound: `Sound ${(at * 7) % 10}` };
    await edit({ type: "add", table: "cells", row });
  }
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const watch = async (place) => {
    await page.goto(`${server.address}/song/${versionId}${place}`, { waitUntil: "load" });
    await page.waitForTimeout(3500);
    await page.evaluate(() => {
      globalThis.longTasks = [];
      new PerformanceObserver((list) =>
        globalThis.longTasks.push(...list.getEntries().map((entry) => entry.duration)),
      ).observe({ type: "longtask" });
    });
  };
  const found = () => page.evaluate(() => globalThis.longTasks);
  const say = (list) => (list.length === 0 ? "none" : list.map((ms) => `${Math.round(ms)} ms`).join(", "));
  await watch("/sounds");
  const pane = page.getByRole("complementary", { name: "Sounds" });
  for (let round = 0; round < 4; round++) {
    await pane.getByLabel("Note").fill("");
    await pane.getByLabel("Note").pressSequentially(`softly ${round}`, { delay: 15 });
    await pane.getByLabel("Note").press("Enter");
    await page.waitForTimeout(200);
    await pane.getByLabel("level", { exact: true }).fill(String(round - 6));
    await pane.getByLabel("level", { exact: true }).press("Enter");
    await page.waitForTimeout(200);
  }
  const ledger = await found();
  await watch("/sounds/box");
  for (const slots of ["3", "5", "2", "4"]) {
    await page.getByLabel("Slots in a bank").fill(slots);
    await page.getByLabel("Slots in a bank").press("Enter");
    await page.getByLabel("Name").first().pressSequentially("x", { delay: 15 });
    await page.waitForTimeout(300);
  }
  const box = await found();
  console.log(
    `Sounds with ${uses.length} sections and 10 sounds, tasks over 50 ms while typing and replanning: ledger ${say(ledger)}; box ${say(box)} (none)`,
  );
  await browser.close();
  await server.stop();
  remove(data);
}

async function benchCrash(rounds) {
  const total = { acknowledged: 0, missing: 0, twice: 0, least: Number.POSITIVE_INFINITY };
  const data = folder();
  for (let round = 0; round < rounds; round++) {
    const result = await crashOnce({ data, atLeast: 50, run: round });
    total.acknowledged += result.acknowledged;
    total.least = Math.min(total.least, result.acknowledged);
    total.missing += result.missing;
    total.twice += result.twice + result.stray;
  }
  console.log(
    `kill -9 with writes in flight, ${rounds} times: ${total.acknowledged} edits acknowledged (at least ${total.least} a run), ${total.missing} missing, ${total.twice} twice or unknown`,
  );
  const status = run("npx", ["--no-install", "tsx", "bench/replay.ts", data]);
  remove(data);
  if (total.missing + total.twice > 0 || status !== 0) process.exitCode = 1;
}

/** 1,000 files brought in over HTTP with every check, then 10,000 songs searched and scrolled. */
async function benchShelf() {
  const data = folder();
  const first = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const files = Array.from({ length: 1000 }, (_, number) => song(number));
  const began = performance.now();
  let next = 0;
  const work = async () => {
    while (next < files.length) {
      const { name, text } = files[next++];
      const base64 = Buffer.from(text).toString("base64");
      const response = await fetch(`${first.address}/api/songs`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ name, base64, double: false }),
      });
      if (response.status !== 201) throw new Error(`${name}: ${response.status} ${await response.text()}`);
    }
  };
  await Promise.all(Array.from({ length: 4 }, work));
  const rate = files.length / ((performance.now() - began) / 1000);
  console.log(`1,000 ChordPro files brought in, with checks: ${rate.toFixed(0)} a second (at least 20)`);
  await first.stop();
  if (run("node", ["bench/bundled.mjs", "bench/fill-shelf.ts", data, "1000", "10000"]) !== 0)
    throw new Error("The shelf could not be filled.");

  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const questions = [
    ...["harbour", "lant", "rope tide", "made up 7", "carries home", "letter 42", "zzz", ""].map(
      (q) => `q=${q}`,
    ),
    ...["uses Bm", "uses F#m Gm7", "slow uses Eb", "#set 3", "uses D/F#"].map(
      (q) => `q=${encodeURIComponent(q)}`,
    ),
    ...[
      "sort=key&down=true",
      "sort=changed&down=true",
      "sort=length&offset=9000",
      "key=Bb&meter=6/8",
      "tag=set 5",
    ],
  ];
  const times = [];
  const firsts = [];
  for (let round = 0; round < 13; round++) {
    for (const question of questions) {
      const asked = performance.now();
      const response = await fetch(`${server.address}/api/shelf?${question}`);
      await response.json();
      // The first round finds the database still cold: it is told apart.
      (round === 0 ? firsts : times).push(performance.now() - asked);
    }
  }
  const { total } = await (await fetch(`${server.address}/api/shelf`)).json();
  const { median: middle, p95 } = quantiles(times);
  console.log(
    `a shelf of ${total} songs, ${times.length} searches of ${questions.length} kinds: median ${middle.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms (at most 50); asked for the first time, slowest of ${firsts.length}: ${Math.max(...firsts).toFixed(0)} ms`,
  );

  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(server.address);
  await page.getByRole("region", { name: "Shelf" }).getByRole("link").first().waitFor();
  await page.waitForTimeout(1500);
  const scrolled = await page.evaluate(async () => {
    const tasks = [];
    new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map((entry) => entry.duration)),
    ).observe({
      type: "longtask",
    });
    const gaps = [];
    let last = performance.now();
    for (let step = 0; step < 240; step++) {
      globalThis.scrollBy(0, 900);
      await new Promise((done) => requestAnimationFrame(done));
      gaps.push(performance.now() - last);
      last = performance.now();
    }
    await new Promise((done) => setTimeout(done, 500));
    return { tasks, longest: Math.max(...gaps), y: globalThis.scrollY };
  });
  await page.waitForTimeout(800);
  const shown = await page.getByRole("listitem").filter({ hasText: /bars/u }).count();
  console.log(
    `scrolled ${Math.round(scrolled.y / 64).toLocaleString("en")} rows in 240 frames: longest frame ${scrolled.longest.toFixed(0)} ms, tasks over 50 ms ${scrolled.tasks.length === 0 ? "none" : scrolled.tasks.map((ms) => `${Math.round(ms)} ms`).join(", ")}; ${shown} rows are drawn`,
  );
  await browser.close();
  await server.stop();
  remove(data);
}

/** From a press to every screen, with a server and a browser of its own. */
async function benchStage() {
  const data = folder();
  const server = await startServer({ data });
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  await benchFeet({ server, browser });
  const pages = await benchFanout({ server, browser });
  // Killed, and started again at once: until every page is in step.
  const { port } = server;
  const rounds = [];
  let current = server;
  for (let round = 0; round < 5; round++) {
    await current.stop("SIGKILL");
    for (const page of pages) await page.locator('main[data-line="alone"]').waitFor();
    const began = performance.now();
    current = await startServer({ data, port, page: "/api/join" });
    for (const page of pages) await page.locator('main[data-line="step"]').waitFor();
    rounds.push(performance.now() - began);
  }
  console.log(
    `server killed and started again, 5 times: from the start command until ${pages.length} pages are in step median ${seconds(median(rounds))}, slowest ${seconds(Math.max(...rounds))} (3)`,
  );
  await browser.close();
  await current.stop();
  remove(data);
}

/** The parts of the bench; `npm run bench -- browser` runs one alone. */
const PARTS = {
  core: () => run("node", ["bench/bundled.mjs", "bench/core.ts"]),
  parts: () => run("node", ["bench/bundled.mjs", "bench/parts.ts"]),
  arrange: () => run("node", ["bench/bundled.mjs", "bench/arrange.ts"]),
  sheet: benchSheet,
  loops: () => run("node", ["bench/bundled.mjs", "bench/loops.ts"]),
  ropes: benchRopes,
  tones: async () => {
    run("node", ["bench/bundled.mjs", "bench/sounds.ts"]);
    await benchSounds();
  },
  document: () => run("node", ["bench/bundled.mjs", "bench/document.ts"]),
  durable: () => run("node", ["bench/bundled.mjs", "bench/durable.ts"]),
  engines: () => run("node", ["bench/bundled.mjs", "bench/engine-hashes.ts"]),
  evenings: () => run("node", ["bench/bundled.mjs", "bench/evenings.ts"]),
  stage: async () => {
    run("node", ["bench/bundled.mjs", "bench/stage-drift.ts"]);
    run("node", ["bench/bundled.mjs", "bench/stage-memory.ts"]);
    await benchStage();
  },
  hand: () => run("node", ["bench/bundled.mjs", "bench/hand.ts"]),
  sound: () => run("node", ["bench/bundled.mjs", "bench/sound.ts"]),
  readers: () => run("node", ["bench/bundled.mjs", "bench/readers.ts"]),
  shelf: benchShelf,
  start: benchStart,
  browser: benchBrowser,
  importing: () => benchImporting(),
  crash: () => benchCrash(20),
};

const [only] = process.argv.slice(2);
for (const [name, part] of Object.entries(PARTS)) if (only === undefined || only === name) await part();
