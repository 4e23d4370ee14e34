const WRITERS = 8;

/**
 * Writers that add to one song, all at once.
 * @param {string} address where the program answers
 * @param {{ run: number, most?: number }} options `run` tells edits of one run from those of another
 */
export async function writeAtOnce(address, { run, most = 5000 }) {
  const post = async (place, body) => {
    const response = await fetch(address + place, {
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
    for (let count = 0; running && count < most; count++) {
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
  const writers = Promise.all(Array.from({ length: WRITERS }, (_, number) => writer(number)));
  return {
    versionId,
    acknowledged,
    sent,
    /** Waits until so many edits are acknowledged. */
    until: async (count) => {
      while (acknowledged.size < count) await new Promise((resolve) => setTimeout(resolve, 2));
    },
    /** Writes no more; what is on its way is waited for. */
    end: async () => {
      running = false;
      await writers;
    },
  };
}
