/** `npm run shots`: takes every picture in docs/screenshots, from the demo evening. */
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from "./lib/ready.mjs";

ensureInstalled();
if ((await ensureBuilt()) !== 0 || !ensureChromium()) process.exit(1);
const { chromium } = await import("@playwright/test");
const { CHROMIUM, CHROMIUM_ARGS } = await import("./lib/browser.mjs");
const { startServer } = await import("./lib/server.mjs");

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const out = path.join(ROOT, "docs", "screenshots");
mkdirSync(out, { recursive: true });

const sheet = `Rope and Bell
Key: D

[Verse]
D         A/C#
Rope on the rail and a
Bm7    Gx9
bell in the tower

[Chorus]
| G . A . | D |
Ring it once for the morning
`;

const data = mkdtempSync(path.join(tmpdir(), "lantern-shots-"));
const server = await startServer({ data });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });

/** Opens a page of the song (or the first page), does something there, and takes the picture. */
async function shot(name, place, size = DESK, act = async () => {}) {
  const page = await browser.newPage({ viewport: size });
  await page.goto(server.address + place);
  await page.waitForTimeout(1200);
  await act(page);
  await page.waitForTimeout(900);
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  await page.close();
  process.stdout.write(`docs/screenshots/${name}.png\n`);
}

const finder = await browser.newPage();
await finder.goto(server.address);
const song = await finder
  .getByRole("region", { name: "Lantern Night at the Net Loft" })
  .getByRole("link", { name: "Lamp on the Water" })
  .getAttribute("href");
const shelf = await finder.evaluate(async () => (await fetch("/api/shelf")).json());
const solo = `/song/${shelf.rows.find((row) => row.versionName === "Solo with looper").versionId}`;
await finder.goto(server.address + song);
const print = await finder.getByRole("link", { name: "Print the sheets" }).getAttribute("href");
await finder.close();

await shot("shelf", "/");
await shot("new-song", "/new", DESK, async (page) => {
  await page.getByLabel("The sheet").fill(sheet);
  await page.keyboard.press("F2");
});
await shot("song", song);
await shot("evidence", `${song}/evidence`, DESK, (page) =>
  page.getByRole("button", { name: "Esus4 / E", exact: true }).click(),
);
await shot("keys", `${song}/keys`);
await shot("parts", `${song}/parts`, DESK, async (page) => {
  await page
    .getByRole("button", { name: /^Chorus 1, Maren/u })
    .first()
    .click();
});
await shot("parts-split", `${song}/parts/split`, DESK, async (page) => {
  await page.getByRole("button", { name: "Split for me" }).click();
  await page.getByRole("button", { name: "Split again" }).waitFor({ timeout: 60_000 });
  await page.locator("figure").evaluate((figure) => scrollTo(0, figure.offsetTop - 40));
});
await shot("parts-judgement", `${song}/parts/judgement`, DESK, async (page) => {
  await page.getByText(/chords sound as the chart has them/u).waitFor({ timeout: 60_000 });
  await page.evaluate(() => scrollTo(0, 420));
});
await shot("parts-lines", `${song}/parts/lines`);
await shot("print", print, { width: 900, height: 1200 });

await shot("loops", `${solo}/loops`, DESK, (page) => page.evaluate(() => scrollTo(0, 560)));
await shot("loops-play", `${solo}/loops/play`, DESK, async (page) => {
  await page.getByRole("button", { name: "Show me" }).click();
  await page.waitForTimeout(15_000);
});

await shot("sounds", `${song}/sounds`);
await shot("sounds-banks", `${song}/sounds/banks`, DESK, (page) =>
  page.getByText("then no change heard").first().waitFor({ timeout: 30_000 }),
);
await shot("cues", `${song}/cues`, DESK, (page) =>
  page.getByLabel("For", { exact: true }).selectOption("Tobin"),
);
await shot("rehearse", `${song}/rehearse`, DESK, async (page) => {
  await page.getByRole("button", { name: "Chorus 1" }).click();
  await page.getByRole("button", { name: /^Play/ }).click();
  await page.locator('.run-place[data-bar="3"]').waitFor({ timeout: 60_000 });
});
const [, eveningId] = (await (await fetch(server.address)).text()).match(/\/evening\/([\w-]+)/u);
await shot("evening", `/evening/${eveningId}`);

/** A screen on stage, left open. */
async function onStage(name, size, leads) {
  const page = await (await browser.newContext({ viewport: size })).newPage();
  await page.addInitScript(
    (lead) => localStorage.setItem("lantern-stage", JSON.stringify({ leads: lead })),
    leads,
  );
  await page.goto(`${server.address}/live/${eveningId}`);
  await page.getByRole("button", { name }).click();
  await page.locator('main[data-line="step"] .sung-chord').first().waitFor();
  return page;
}
const leader = await onStage("Maren", DESK, true);
const player = await onStage("Tobin", PHONE, false);
await leader.locator(".lead-section").nth(1).click();
await leader.getByRole("button", { name: "Count in" }).click();
await leader.waitForTimeout(23_500);
for (const [name, page] of [
  ["stage", leader],
  ["stage-phone", player],
]) {
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  process.stdout.write(`docs/screenshots/${name}.png\n`);
}

await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
