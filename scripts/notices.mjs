/** `node scripts/notices.mjs`: writes NOTICES.md, the works of others that are shipped, from the lock file. */
import { writeFileSync } from "node:fs";
import { noticesOf } from "./lib/notices.mjs";

writeFileSync("NOTICES.md", noticesOf());
