import { mkdirSync } from "node:fs";
import path from "node:path";
import { Disk } from "./disk.mjs";
import { startServer } from "./server.mjs";
import { writeAtOnce } from "./writers.mjs";

/**
 * Cuts the power of a machine whose clients write: the program is stopped where it stands, and what has reached its disk
 * until then is all that is left. Everything acknowledged must be there once.
 * @param {{ atLeast: number, megabytes?: number }} options `atLeast` acknowledged edits before the cut
 */
export async function cutPower({ atLeast, megabytes = 192 }) {
  const disk = Disk.make(megabytes);
  let left = null;
  let server = null;
  let again = null;
  try {
    const data = path.join(disk.place, "data");
    mkdirSync(data);
    server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
    const writing = await writeAtOnce(server.address, { run: 1 });
    await writing.until(atLeast);
    server.child.kill("SIGSTOP");
    // What was acknowledged until here must be on the disk; answers still on their way are not known to anybody.
    const acknowledged = new Set(writing.acknowledged);
    left = disk.cut();
    await server.stop("SIGKILL");
    await writing.end();

    again = await startServer({ data: path.join(left.place, "data"), env: { LANTERN_DEMO: "off" } });
    const response = await fetch(`${again.address}/api/documents/${writing.versionId}/edits?since=0`);
    const { edits } = response.ok ? await response.json() : { edits: [] };
    const stored = edits.map(({ editId }) => editId);
    return {
      acknowledged: acknowledged.size,
      missing: [...acknowledged].filter((editId) => !stored.includes(editId)).length,
      twice: stored.length - new Set(stored).size,
    };
  } finally {
    await again?.stop();
    await server?.stop("SIGKILL");
    left?.remove();
    disk.remove();
  }
}
