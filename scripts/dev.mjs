/** `npm run dev`: the same server over the sources, reloading what changes. */
import path from "node:path";
import { ensureInstalled, ROOT, run } from "./lib/ready.mjs";

ensureInstalled();
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => {});
process.exitCode = run(process.execPath, [path.join(ROOT, "server.mjs"), "--dev"], {
  env: { ...process.env, NODE_ENV: "development" },
});
