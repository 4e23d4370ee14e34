/** The database in a thread of its own: compiled by itself when the program is built. */
import { type MessagePort, parentPort, workerData } from "node:worker_threads";
import { openDurable } from "./durable";
import { serveLine } from "./serve-line";

/** What the program tells this thread. */
export type ToStore = { readonly line: MessagePort } | { readonly close: true };

/** What this thread tells the program: that it may be asked, that it does not open, that the disk takes nothing, that it is closed. */
export type FromStore =
  | { readonly type: "ready" | "closed" }
  | { readonly type: "failed"; readonly reason: string; readonly code: string | null }
  | { readonly type: "broken"; readonly code: string };

if (!parentPort) throw new Error("This is a thread of the server: it is not started by itself.");
const program = parentPort;
const tell = (told: FromStore) => program.postMessage(told);

/** @returns the database, or null where it does not open; the program is told why */
function open() {
  const failed = (error: unknown) => {
    const { message = String(error), code = null } = error as { message?: string; code?: string | null };
    tell({ type: "failed", reason: message, code });
    return null;
  };
  try {
    const { client, ready } = openDurable((workerData as { readonly folder: string }).folder, (error) =>
      tell({ type: "broken", code: (error as NodeJS.ErrnoException).code ?? String(error) }),
    );
    ready.then(() => tell({ type: "ready" }), failed);
    return client;
  } catch (error) {
    return failed(error);
  }
}

const client = open();

program.on("message", async (told: ToStore) => {
  if ("line" in told) {
    // What is asked of a database that does not open is refused: its line ends.
    if (client) serveLine(told.line, client);
    else told.line.close();
    return;
  }
  await client?.close().catch(() => {});
  tell({ type: "closed" });
});
