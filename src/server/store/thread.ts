/** The database in a thread of its own: compiled by itself when the program is built. */
import { type MessagePort, parentPort, workerData } from "node:worker_threads";
import { openDurable } from "./durable";
import { serveLine } from "./serve-line";

/** What the program tells this thread. */
export type ToStore = { readonly line: MessagePort } | { readonly close: true };

/** What this thread tells the program: that it may be asked, that it does not open, that the disk takes nothing, that it is closed. */
export type FromStore =
  | { readonly type: "ready" | "closed" }
  | { readonly type: "failed"; readonly reason: string }
  | { readonly type: "broken"; readonly code: string };

if (!parentPort) throw new Error("This is a thread of the server: it is not started by itself.");
const program = parentPort;
const tell = (told: FromStore) => program.postMessage(told);

const { client, ready } = openDurable((workerData as { readonly folder: string }).folder, (error) =>
  tell({ type: "broken", code: (error as NodeJS.ErrnoException).code ?? String(error) }),
);
ready.then(
  () => tell({ type: "ready" }),
  (error: unknown) =>
    tell({ type: "failed", reason: error instanceof Error ? error.message : String(error) }),
);

program.on("message", async (told: ToStore) => {
  if ("line" in told) return serveLine(told.line, client);
  await client.close().catch(() => {});
  tell({ type: "closed" });
});
