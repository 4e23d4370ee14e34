/** The program on a data folder of its own, for the browser tests; the folder goes with it. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { HOST } from "../scripts/lib/ready.mjs";

const data = mkdtempSync(path.join(tmpdir(), "lantern-e2e-"));
process.env.LANTERN_DATA = data;
process.on("exit", () => rmSync(data, { recursive: true, force: true }));
await import(HOST);
