import { expect, it } from "vitest";
import { runFaults } from "./faults/run";

/** Two of the faults of `npm run faults`, once: people edit, lead and join while the program is broken under them. */
it("keeps everything acknowledged, everybody alike, and whoever was put out outside", async () => {
  const faults = ["clock two hours back, killed", "power cut"];
  const result = await runFaults({ seed: 7, faults });
  if (result.whyNoDisk)
    process.stderr.write(
      `\nNO POWER WAS CUT: this machine mounts no file as a disk (${result.whyNoDisk}).\n\n`,
    );
  expect(result.wrong).toEqual([]);
  expect(result.edits).toBeGreaterThan(100);
  expect(result.presses).toBeGreaterThan(8);
}, 300_000);
