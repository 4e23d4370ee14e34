import { startServer } from "./server.mjs";

const WRITERS = 8;

/**
 * Kills the program with writes in flight and looks at what is left: every acknowledged edit must be stored,
 * none twice, and the log replayed must equal the stored body (the backup import replays it and refuses a
 * difference; here the two are compared by the caller's `verify`).
 * @param {{ data: string, atLeast: number, run: number }} options `atLeast` acknowledged edits before the kill
 */
export async function crashOnce({ data, atLeast, run }) {
  const server = await startServer({ data, env: { LANTERN_DEMO: "off" } });
  const post = async (place, body) => {
    const response = await fetch(server.address + place, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    return { status: response.status, body: await response.json() };
  };
  const { versionId } = (await post("/api/songs", { text: "[Verse]\nG C D G\none two three four" })).body;
  const acknowledged = new Set();
  const sent = new Set();
  let running = true;
  const writer = async (number) => {
    for (let count = 0; running && count < 5000; count++) {
      const editId = `r${run}w${number}e${count}`;
      sent.add(editId);
      try {
        const answer = await post(`/api/documents/${versionId}/edits`, {
          editId,
          base: 0,
          command: { type: "add", table: "sources", row: { id: editId, order: "V", name: `Edit ${editId}` } },
        });
        if (answer.status === 200) acknowledged.add(editId);
      } catch {
        return;
      }
    }
  };
  const writers = Array.from({ length: WRITERS }, (_, number) => writer(number));
  while (acknowledged.size < atLeast) await new Promise((resolve) => setTimeout(resolve, 2));
  await server.stop("SIGKILL");
  running = false;
  await Promise.all(writers);

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
