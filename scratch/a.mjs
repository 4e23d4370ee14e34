const LINES = `[Verse]
[G]Lamps along the [Em]harbour [C]wall
[C]Nets are hung to [G]dry, that's [D]all
[G]Salt is in the [D]morning [C]air
[C]Half the boats are [G]still out [D]there

[Chorus]
[F]Bring them [G]in
[Am]Bring them [F]in
[F]Light them [C]in
`;
export default async (page, base) => {
  await page.goto(base + "/new");
  await page.getByLabel("The sheet").fill(LINES);
  await page.getByRole("button", { name: "What was understood" }).click();
  const f = page.getByLabel("Beats of line 1 of Verse");
  await f.fill("3 1 | 3");
  await f.press("Enter");
  await page.getByLabel("Beats of line 2 of Verse").focus();
  await page.screenshot({ path: "/tmp/s1.png" });
  await page.evaluate(() => scrollTo(0, 600));
  await page.waitForTimeout(300);
  await page.screenshot({ path: "/tmp/s2.png" });
  await page.getByRole("button", { name: "Make this song" }).click();
  await page.waitForURL(/\/song\//u);
  await page.getByLabel("Beats of line 2 of Verse").fill("4 5");
  await page.getByLabel("Beats of line 2 of Verse").press("Enter");
  await page.getByLabel("Beats of line 2 of Verse").focus();
  await page.getByRole("region", { name: "Chorus" }).getByRole("button", { name: "Tap the beats" }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: "/tmp/s3.png", fullPage: true });
  await page.setViewportSize({ width: 400, height: 800 });
  await page.waitForTimeout(500);
  await page.screenshot({ path: "/tmp/s4.png", fullPage: true });
};
