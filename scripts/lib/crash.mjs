import { startServer } from "./server.mjs";
import { writeAtOnce } from "./writers.mjs";

/**
 * Kills the program with writes in flight and looks at what is left: every acknowledged edit must be stored,
 * none twice, and the log replayed must equal the stored body (the backup import replays it and refuses a
 * difference; here the two are compared by the caller's `verify`).
 * @param {{ data: string, atLeast: number, run: number }} options `atLeast` acknowledged edits before the kill
 */
export async function crashOnce({ data, atLeast, run }) {
  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const writing = await writeAtOnce(server.address, { run });
  await writing.until(atLeast);
  await server.stop("SIGKILL");
  await writing.end();
  const { versionId, acknowledged, sent } = writing;

  const again = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const read = async (place) => (await fetch(again.address + place)).json();
  const { edits } = await read(`/api/documents/${versionId}/edits?since=0`);
  const document = await read(`/api/documents/${versionId}`);
  await again.stop();
  const stored = edits.map((edit) => edit.editId);
  return {
    versionId,
    acknowledged: acknowledged.size,
    missing: [...acknowledged].filter((editId) => !stored.includes(editId)).length,
    twice: stored.length - new Set(stored).size,
    stray: stored.filter((editId) => !sent.has(editId)).length,
    edits,
    document,
  };
}
