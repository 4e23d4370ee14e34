/**
 * The demo's songs as they sound: rendered by `spessasynth_core`, the library that plays them in the window. Full scale is 1, as
 * the Web Audio API has it (W3C recommendation): what is louder is clipped.
 */
import path from "node:path";
import { describe, expect, it } from "vitest";
import { demoDocuments } from "../src/server/songs/demo";
import { renderSong } from "../testing/sound/render-song";

const BANK = path.join(import.meta.dirname, "..", "public", "sounds.sf3");
const SECONDS = 12;

const versions = (await demoDocuments()).flatMap((one) => (one.kind === "version" ? [one] : []));

describe("the demo's songs", () => {
  it("are all there", () => expect(versions.length).toBeGreaterThanOrEqual(5));

  it.each(versions.map((one, at) => [at + 1, one.body] as const))(
    "version %s begins every note within a millisecond, and clips nothing",
    async (_, body) => {
      const { onsets, worstMs, peak } = await renderSong(body, BANK, SECONDS);
      expect(onsets).toBeGreaterThan(20);
      expect(worstMs).toBeLessThanOrEqual(1);
      expect(peak).toBeGreaterThan(0.02);
      expect(peak).toBeLessThan(1);
    },
    60_000,
  );
});
