/** `npm run dev`: the same server over the sources, reloading what changes. */
import { ensureHost, ensureInstalled, HOST, run } from "./lib/ready.mjs";

ensureInstalled();
await ensureHost();
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => {});
process.exitCode = run(process.execPath, [HOST, "--dev"], {
  env: { ...process.env, NODE_ENV: "development" },
});
