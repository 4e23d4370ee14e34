/** `npm run faults -- [seed] [rounds]`: people work with the program while it is broken under them in every way. */
import { ensureBuilt, ensureInstalled, run } from "./lib/ready.mjs";

ensureInstalled();
if ((await ensureBuilt()) !== 0) process.exit(1);
process.exit(run("node", ["bench/bundled.mjs", "checks/faults/main.ts", ...process.argv.slice(2)]));
