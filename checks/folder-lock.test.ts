import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { HOST } from "../scripts/lib/ready.mjs";
import { startServer } from "../scripts/lib/server.mjs";

/** Two real programs on one folder that don't see each other's sockets: network namespaces of Linux, as containers have them. */
const data = mkdtempSync(path.join(tmpdir(), "lantern-two-"));
afterAll(() => rmSync(data, { recursive: true, force: true }));

const whyNot = spawnSync("unshare", ["-n", "true"], { encoding: "utf8" });
if (whyNot.status !== 0)
  process.stderr.write(
    `\nNO SECOND NETWORK: this machine makes none (${whyNot.error?.message ?? whyNot.stderr.trim()}).\n\n`,
  );

describe.skipIf(whyNot.status !== 0)("a program in another network namespace", () => {
  it("does not open a folder that is open here, and does once it is left", async () => {
    const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
    const second = () =>
      spawnSync("unshare", ["-n", process.execPath, HOST], {
        encoding: "utf8",
        timeout: 9000,
        env: {
          ...process.env,
          NODE_ENV: "production",
          LANTERN_DATA: data,
          LANTERN_DEMO: "off",
          PORT: "3977",
        },
      });
    const refused = second();
    expect([refused.status, refused.stderr]).toEqual([
      1,
      expect.stringContaining("is in use by another Shared Lantern"),
    ]);
    await server.stop();
    expect(second().stderr).not.toContain("is in use");
  });
});
