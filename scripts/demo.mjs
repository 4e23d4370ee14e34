/**
 * `npm run demo`: installs what is missing, builds what is stale, and lights the demo evening. `-- --https` opens evenings to
 * the network over TLS; `-- --closed` ends an evening that was left open.
 */
import { ensureBuilt, ensureInstalled, HOST, run } from "./lib/ready.mjs";

ensureInstalled();
const built = await ensureBuilt();
if (built !== 0) {
  process.stderr.write("The program could not be built: see the lines above.\n");
  process.exit(built);
}
const signals = ["SIGINT", "SIGTERM"];
for (const signal of signals) process.on(signal, () => {});
process.exitCode = run(process.execPath, [HOST, ...process.argv.slice(2)], {
  env: { ...process.env, NODE_ENV: "production" },
});
