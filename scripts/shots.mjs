/** `npm run shots`: takes every picture in docs/screenshots, from the demo evening. */
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from "./lib/ready.mjs";

ensureInstalled();
if (ensureBuilt() !== 0 || !ensureChromium()) process.exit(1);
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
  .getByRole("region", { name: "Shelf" })
  .getByRole("link", { name: "Lamp on the Water" })
  .getAttribute("href");
await finder.goto(server.address + song);
const stage = await finder.getByRole("link", { name: "Maren’s stage" }).getAttribute("href");
const print = await finder.getByRole("link", { name: "Print the sheets" }).getAttribute("href");
await finder.close();

await shot("shelf", "/");
await shot("new-song", "/new", DESK, (page) => page.getByLabel("The sheet").fill(sheet));
await shot("song", song);
await shot("song-open-end", song, DESK, async (page) => {
  await page
    .getByRole("region", { name: "Bridge" })
    .getByRole("button", { name: "Change line 4 of Bridge" })
    .click();
  await page.getByRole("region", { name: "Bridge" }).evaluate((section) => section.scrollIntoView());
});
await shot("players", `${song}/players`);
await shot("keys", `${song}/keys`);
await shot("parts", `${song}/parts`, DESK, async (page) => {
  await page
    .getByRole("button", { name: /^Chorus, Maren/u })
    .first()
    .click();
});
await shot("parts-swap", `${song}/parts`, DESK, async (page) => {
  await page
    .getByRole("button", { name: /^Chorus, Maren/u })
    .first()
    .click();
  const swap = page.getByRole("button", { name: /^Am7 sounds/u });
  await swap.click();
  await swap.evaluate((button) => button.scrollIntoView({ block: "start" }));
});
await shot("stage", stage, DESK, (page) => page.keyboard.press("ArrowRight"));
await shot("stage-phone", stage, PHONE, (page) => page.keyboard.press("ArrowRight"));
await shot("song-phone", song, PHONE);
await shot("parts-phone", `${song}/parts`, PHONE);
await shot("print", print, { width: 900, height: 1200 });

await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
