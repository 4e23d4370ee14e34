/** What reads and writes much, in a thread of the server: compiled by itself when the program is built. */
import { type MessagePort, parentPort, workerData } from "node:worker_threads";
import { takeClient } from "../db/open-database";
import { watchAll } from "../live";
import { StoreClient } from "../store";
import { HANDLERS } from "./handlers";
import type { FromWork, SentAnswer, SentRequest, ToWork } from "./job";

if (!parentPort) throw new Error("This is a thread of the server: it is not started by itself.");
const program = parentPort;
const tell = (told: FromWork, sent: readonly ArrayBuffer[] = []) => program.postMessage(told, sent);

takeClient(new StoreClient((workerData as { readonly line: MessagePort }).line));
watchAll((documentId, edit) => tell({ type: "edit", documentId, edit }));

async function answer(
  endpoint: string,
  request: SentRequest,
  told: (done: number, of: number) => void,
): Promise<SentAnswer> {
  const handler = HANDLERS.get(endpoint);
  if (!handler) throw new Error(`Expected an endpoint that is answered apart, but got ${endpoint}.`);
  const { method, url, headers, params, body } = request;
  const came = new Request(url, { method, headers, body: body && new Blob([...body]) });
  const response = await handler(came, { params: Promise.resolve(params), told });
  return {
    status: response.status,
    headers: [...response.headers],
    body: new Uint8Array(await response.arrayBuffer()),
  };
}

program.on("message", async ({ id, endpoint, request }: ToWork) => {
  try {
    const said = await answer(endpoint, request, (done, of) => tell({ type: "progress", id, done, of }));
    tell({ type: "answer", id, answer: said }, [said.body.buffer]);
  } catch (error) {
    tell({ type: "failed", id, reason: error instanceof Error ? error.message : String(error) });
  }
});
