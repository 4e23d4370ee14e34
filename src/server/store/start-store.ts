import path from "node:path";
import { MessageChannel, type MessagePort, Worker } from "node:worker_threads";
import { type Client, StoreClient } from "./client";
import type { FromStore } from "./thread";

/** The database of a data folder, in a thread of its own. */
export type Store = {
  readonly folder: string;
  readonly client: Client;
  /** Settles when it may be used: open, migrated by nobody yet, and on the disk whole. */
  readonly ready: Promise<void>;
  /** Another line to it, for another thread. */
  readonly connect: () => MessagePort;
};

export type StartOptions = {
  /** Is told when the disk does not take what was written: the program should end. */
  readonly onBroken: (code: string) => void;
  /** Is told when the thread is gone without having been closed. */
  readonly onLost: (reason: string) => void;
};

/** Where the build puts `thread.ts`. */
const file = () => path.join(process.cwd(), "build", "store-thread.mjs");

/** Opens the database of a data folder in a thread, so that nothing stands still while it works. */
export function startStore(folder: string, { onBroken, onLost }: StartOptions): Store {
  const worker = new Worker(file(), { workerData: { folder } });
  let isOpen = false;
  let isClosing = false;
  let settle: { resolve: () => void; reject: (error: Error) => void };
  const ready = new Promise<void>((resolve, reject) => {
    settle = { resolve, reject };
  });
  // Whoever asks for it meets what went wrong.
  ready.catch(() => {});
  let onClosed = () => {};
  const gone = (reason: string) => {
    onClosed();
    settle.reject(new Error(reason));
    if (isOpen && !isClosing) onLost(reason);
  };
  worker.on("message", (told: FromStore) => {
    if (told.type === "ready") {
      isOpen = true;
      settle.resolve();
    } else if (told.type === "failed") settle.reject(new Error(told.reason));
    else if (told.type === "broken") onBroken(told.code);
    else onClosed();
  });
  worker.on("error", (error) => gone(error instanceof Error ? error.message : String(error)));
  worker.on("exit", (code) => gone(`The database ended by itself (${code}).`));
  const connect = () => {
    const { port1, port2 } = new MessageChannel();
    worker.postMessage({ line: port1 }, [port1]);
    return port2;
  };
  const close = async () => {
    isClosing = true;
    const closed = new Promise<void>((resolve) => {
      onClosed = resolve;
    });
    worker.postMessage({ close: true });
    await closed;
    await worker.terminate();
  };
  return { folder, client: new StoreClient(connect(), close), ready, connect };
}
