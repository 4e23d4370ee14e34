import { type Browser, type BrowserContext, expect, type Page } from "@playwright/test";
import { EMPTY_CELL } from "../src/core/song/schema";
import { FAST } from "./helpers";
import { posterTo } from "./post";

/** Three who play: somebody leads. */
const PLAYERS = [
  { id: "maren", name: "Maren", instrument: "guitar", tuning: ["E2", "A2", "D3", "G3", "B3", "E4"] },
  { id: "tobin", name: "Tobin", instrument: "guitar", tuning: ["E2", "A2", "D3", "G3", "B3", "E4"] },
  { id: "odile", name: "Odile", instrument: "bass", tuning: ["E1", "A1", "D2", "G2"] },
];

/** A pattern for Maren in every section of the first song. */
type Strum = { readonly text: string };

/**
 * Makes an evening of two fast songs with a talk between, and three players, by the program's own routes.
 * @param strum what Maren plays in the first song; nothing of it when left out
 * @param sheet what both songs are, but for the title
 */
export async function makeEvening(
  address: string,
  name = "Quick Night",
  strum: Strum | null = null,
  sheet = FAST,
): Promise<string> {
  const post = posterTo(address);
  const edit = (id: string, base: number, table: string, row: object) =>
    post(`/api/documents/${id}/edits`, {
      editId: `${id}-${base}`.slice(0, 40),
      base,
      command: { type: "add", table, row },
    });
  /** Writes a pattern into a version, and gives it to Maren wherever the form goes. */
  const playStrum = async (versionId: string, { text }: Strum) => {
    const read = (await (await fetch(`${address}/api/documents/${versionId}`)).json()) as {
      body: { uses: Record<string, object> };
    };
    await edit(versionId, PLAYERS.length, "strums", {
      id: "said",
      originId: null,
      order: "V",
      name: "as said",
      kind: "strum",
      meterBeats: 4,
      meterUnit: 4,
      subdivision: 2,
      swing: 0.5,
      pattern: text,
      gate: "",
      anchor: "chord",
    });
    for (const [at, useId] of Object.keys(read.body.uses).entries())
      await edit(versionId, PLAYERS.length + 1 + at, "cells", {
        ...EMPTY_CELL,
        id: `cell${at}`,
        useId,
        playerId: "maren",
        strumId: "said",
      });
  };
  const { id } = await post("/api/evenings", { name });
  const songs = [];
  for (const title of ["Quick Lamp", "Second Lamp"]) {
    const song = await post("/api/songs", { text: sheet.replace("Quick Lamp", title), title });
    for (const [base, player] of PLAYERS.entries())
      await edit(song.versionId!, base, "players", {
        ...player,
        bandPlayerId: null,
        order: `V${base + 1}`,
        capo: 0,
        level: "fluent",
        sings: base === 0,
        range: null,
        light: 2,
        role: "support",
      });
    songs.push(song);
  }
  if (strum) await playStrum(songs[0]!.versionId!, strum);
  const plain = { title: "", minutes: 0, note: "", place: null, beforeId: null };
  const items = [
    { ...plain, kind: "song", songId: songs[0]!.songId, versionId: songs[0]!.versionId },
    { ...plain, kind: "talk", songId: null, versionId: null, title: "Welcome", minutes: 2 },
    { ...plain, kind: "song", songId: songs[1]!.songId, versionId: songs[1]!.versionId },
  ];
  for (const [base, item] of items.entries())
    await edit(id!, base, "items", { ...item, id: `item${base}`, order: `V${base + 1}` });
  return id!;
}

/**
 * A screen of its own, as somebody.
 * @param told what it calls them then, where that is not what they chose
 */
export async function screenOf(
  browser: Browser,
  address: string,
  eveningId: string,
  name: string,
  leads = false,
  before: () => void = () => {},
  told = name,
): Promise<{ page: Page; context: BrowserContext }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(before);
  await page.addInitScript((lead) => {
    if (!localStorage.getItem("lantern-stage"))
      localStorage.setItem("lantern-stage", JSON.stringify({ leads: lead }));
  }, leads);
  await page.goto(`${address}/live/${eveningId}`);
  await page.getByRole("button", { name }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText(told);
  await inStep(page);
  await expect(page.locator(".sung-chord").first()).toBeVisible();
  return { page, context };
}

export const inStep = (page: Page) => expect(page.getByRole("main")).toHaveAttribute("data-line", "step");

/** The passage and bar a screen shows now. */
export const where = async (page: Page): Promise<string> =>
  page.evaluate(() => {
    const place = document.querySelector(".where-we-are");
    return `${place?.getAttribute("data-passage")} ${place?.querySelector("strong")?.textContent}`;
  });

/** All screens show the same section. */
export async function expectTogether(pages: readonly Page[], section: string): Promise<void> {
  for (const page of pages) await expect(page.getByRole("heading", { level: 2 }).first()).toHaveText(section);
}
