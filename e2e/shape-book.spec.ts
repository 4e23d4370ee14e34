import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, makeSong, openPart, room, saved } from "./helpers";

const tab = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Pages of the Keys room" }).getByRole("link", { name }).click();

/** A song with a guitarist of the band in it, at the shapes to learn; its address. */
async function songWithTobin(page: Page, title: string): Promise<string> {
  const id = await makeSong(
    page,
    `${title}\nKey: G\nTempo: 84\nTime: 4/4\n\n[Verse]\nG . . . C . . .\nsalt in the air\nD . . . C . . .\nlight on the stair\n`,
  );
  await room(page, "Players");
  await page.getByRole("button", { name: "Add Tobin from the band" }).click();
  await saved(page);
  await room(page, "Keys");
  await tab(page, "Shapes to learn");
  await expect(page.getByRole("heading", { name: "Tobin has 3 shapes to learn" })).toBeVisible();
  return id;
}

/** The chord of the song that is told third: what Tobin's hand calls it depends on the capo. */
async function openChord(page: Page, name: string) {
  await page
    .getByRole("button", { name: new RegExp(`^${name}\\b`, "u") })
    .first()
    .click();
  return page.getByRole("region", { name: `${name} opened` });
}

test("a shape in every song: three acts here, none in the next, one in a song made before", async ({
  page,
}) => {
  const before = await songWithTobin(page, "Salt Stair");
  await songWithTobin(page, "Grey Pier");
  const panel = await openChord(page, "C");
  await panel.getByLabel("Choose it").selectOption("in every song (shape book)");
  await panel.getByText("A shape of your own").click();
  const frets = panel.getByLabel(/A fret for each string/);
  await frets.fill("x32033");
  await frets.press("Enter");
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();
  await expect(page.getByText("really Cadd9").first()).toBeVisible();
  await expect(page.getByRole("region", { name: "C opened" }).getByText("From the shape book")).toBeVisible();
  await saved(page);

  await tab(page, "Shape book");
  const kept = page.getByRole("region", { name: "Tobin keeps 1 shape" });
  await expect(kept).toContainText("x 3 2 0 3 3");
  await expect(kept).toContainText("2 times in this song");
  await expectAccessible(page);

  // A song made now holds it by itself, on paper and on stage too.
  const next = await songWithTobin(page, "Night Rope");
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();
  await page.goto(`/print/${next}`);
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();
  await expect(page.getByText("is Cadd9").first()).toBeVisible();

  // A song made before is changed only by its own people: one act.
  await page.goto(`/song/${before}/keys/book`);
  const beside = page.getByRole("region", { name: "In the band’s book, not in this song" });
  await beside.getByRole("button", { name: "Take x 3 2 0 3 3 for C into this song" }).click();
  await expect(page.getByRole("region", { name: "Tobin keeps 1 shape" })).toBeVisible();
  await expect(beside).toHaveCount(0);
  await tab(page, "Shapes to learn");
  await expect(page.getByRole("img", { name: "C: not played, 3, 2, open, 3, 3" }).first()).toBeVisible();

  // Out of the book again, in one act; taken back with undo.
  await tab(page, "Shape book");
  await page.getByRole("button", { name: "Take x 3 2 0 3 3 for C out of the book" }).click();
  await expect(page.getByText("Nothing is kept yet.", { exact: false })).toBeVisible();
  await saved(page);
});

test("a shape chosen in three songs is offered for the book", async ({ page }) => {
  for (const title of ["First Gull", "Second Gull", "Third Gull"]) {
    await songWithTobin(page, title);
    const panel = await openChord(page, "D");
    await panel.getByText("A shape of your own").click();
    const frets = panel.getByLabel(/A fret for each string/);
    await frets.fill("xx0235");
    await frets.press("Enter");
    await expect(page.getByRole("button", { name: /^D\b.*chosen/ }).first()).toBeVisible();
    await saved(page);
  }
  await page.reload();
  await tab(page, "Shape book");
  const habits = page.getByRole("region", { name: "Chosen again and again" });
  await expect(habits).toContainText("chosen for D in 3 songs");
  await habits.getByRole("button", { name: "Keep x x 0 2 3 5 for D" }).click();
  await expect(page.getByRole("region", { name: "Tobin keeps 1 shape" })).toContainText("x x 0 2 3 5");
  await expect(habits).toHaveCount(0);
  await page.getByRole("button", { name: "Take x x 0 2 3 5 for D out of the book" }).click();
  await saved(page);
});

test("two shapes of one chord in one section: small first, open later, on paper with their bars", async ({
  page,
}) => {
  const id = await songWithTobin(page, "Low Bell");
  await openPart(page, /^Verse.*, Tobin/);
  const shapes = page.getByRole("region", { name: "Shapes" });
  await shapes.getByRole("button", { name: /^C\b/ }).first().click();
  await shapes.getByLabel("Choose it").selectOption("at this chord, each time");
  await shapes.getByLabel("Which one").selectOption("bar 4");
  await shapes.getByText("A shape of your own").click();
  const frets = shapes.getByLabel(/A fret for each string/);
  await frets.fill("xxx553");
  await frets.press("Enter");
  await expect(shapes.getByText("from bar 4")).toBeVisible();
  await expect(shapes.getByText("from bar 2")).toBeVisible();
  await saved(page);
  await page.goto(`/print/${id}`);
  const sheet = page.getByRole("article", { name: "Low Bell, Tobin" });
  await expect(sheet.getByText("Verse from bar 4")).toBeVisible();
  await expect(
    sheet.getByRole("img", { name: "C: not played, not played, not played, 5, 5, 3" }),
  ).toBeVisible();
});

test("one shape, moved: three choices in the part, named by its frets, on paper with its way in", async ({
  page,
}) => {
  const id = await songWithTobin(page, "Far Buoy");
  await openPart(page, /^Verse.*, Tobin/);
  const pane = page.getByRole("complementary");
  await pane.getByLabel("Place on the neck").selectOption("about fret 7");
  await pane.getByText("one shape, moved").click();
  const shapes = page.getByRole("region", { name: "Shapes" });
  // G, C, D with the third on the G string.
  await expect(shapes.getByText("One shape, moved to fret 3, 8, 10", { exact: false })).toBeVisible();
  await pane.getByText("from one fret below", { exact: true }).click();
  await expect(shapes.getByText("each time from one fret below", { exact: false })).toBeVisible();
  await saved(page);
  await page.goto(`/print/${id}`);
  await expect(
    page.getByText("one shape, moved, about fret 7, each time from one fret below").first(),
  ).toBeVisible();
});
