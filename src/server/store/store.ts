import fs from "node:fs";
import path from "node:path";
import { MessageChannel, type MessagePort, Worker } from "node:worker_threads";
import { StoreClient } from "./client";
import { placeIn, syncPath } from "./place";
import type { FromStore } from "./thread";

export type StartOptions = {
  /** Is told when the disk does not take what was written: the program should end. */
  readonly onBroken: (code: string) => void;
  /** Is told when the thread is gone without having been closed. */
  readonly onLost: (reason: string) => void;
};

/** Where the build puts `thread.ts`. */
const file = () => path.join(process.cwd(), "build", "store-thread.mjs");

/** A database that does not open, and the code of the system where that is why. */
class NotOpened extends Error {
  constructor(
    reason: string,
    readonly code: string | null,
  ) {
    super(reason);
  }
}

type Run = { readonly worker: Worker; readonly ready: Promise<void> };

/** The database of a data folder in a thread of its own, so that nothing stands still while it works. */
export class Store {
  readonly client: StoreClient;
  private run: Run;
  private isClosing = false;

  constructor(
    readonly folder: string,
    private readonly options: StartOptions,
  ) {
    this.run = this.start();
    this.client = new StoreClient(this.connect(), () => this.close());
  }

  /** Settles when it may be used: open, migrated by nobody yet, and on the disk whole; rejects with {@link NotOpened}. */
  get ready(): Promise<void> {
    return this.run.ready;
  }

  /** Another line to it, for another thread. */
  connect(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    this.run.worker.postMessage({ line: port1 }, [port1]);
    return port2;
  }

  /**
   * Puts the files of a database that does not open aside, and makes an empty one in their place.
   * @returns the name the files have now in the data folder
   */
  async putAside(): Promise<string> {
    await this.run.worker.terminate();
    const place = placeIn(this.folder);
    let name: string;
    let number = 0;
    do name = `${path.basename(place)}.damaged-${++number}`;
    while (fs.existsSync(path.join(this.folder, name)));
    fs.renameSync(place, path.join(this.folder, name));
    syncPath(this.folder);
    this.run = this.start();
    this.client.askOver(this.connect());
    await this.run.ready;
    return name;
  }

  private start(): Run {
    const worker = new Worker(file(), { workerData: { folder: this.folder } });
    let isOpen = false;
    const ready = new Promise<void>((resolve, reject) => {
      const gone = (reason: string) => {
        reject(new NotOpened(reason, null));
        if (isOpen && !this.isClosing) this.options.onLost(reason);
      };
      worker.on("message", (told: FromStore) => {
        if (told.type === "ready") {
          isOpen = true;
          resolve();
        } else if (told.type === "failed") reject(new NotOpened(told.reason, told.code));
        else if (told.type === "broken") this.options.onBroken(told.code);
      });
      worker.on("error", (error) => gone(error instanceof Error ? error.message : String(error)));
      worker.on("exit", (code) => gone(`it ended by itself, ${code}`));
    });
    // Whoever asks for it meets what went wrong.
    ready.catch(() => {});
    return { worker, ready };
  }

  private async close(): Promise<void> {
    this.isClosing = true;
    const { worker } = this.run;
    const closed = new Promise<void>((resolve) => {
      worker.on("message", ({ type }: FromStore) => type === "closed" && resolve());
      worker.on("exit", () => resolve());
    });
    worker.postMessage({ close: true });
    await closed;
    await worker.terminate();
  }
}
