import fs from "node:fs";
import path from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { NodeFS } from "@electric-sql/pglite/nodefs";
import { copyBlank } from "./blank";
import { DATABASE, placeIn, syncPath } from "./place";
import { Settled } from "./settled";

/** What the database is started with: as it is by default, but writing through to the disk. */
const START_PARAMS = [
  // "-F" turns fsync off.
  ...PGlite.defaultStartParams.filter((param) => param !== "-F"),
  // The default method of the platform never reaches the file system's own operation.
  "-c",
  "wal_sync_method=fsync",
  // All of it is cleared at every start: four times as much, the default, takes 0.2 s longer and searches no sooner.
  "-c",
  "shared_buffers=32MB",
];

/** A file or folder as the embedded file system has it open; folders have no descriptor. */
type OpenStream = { readonly nfd?: number; readonly node: object };

/** What we use of the embedded file system. */
type NodeFileSystem = {
  readonly stream_ops: { fsync?: (stream: OpenStream) => number };
  readonly realPath: (node: object) => string;
  readonly convertNodeCode: (error: unknown) => number;
};

/** The database's files in a folder, where what is synced is on the disk: the plain file system does nothing then. */
class DurableFS extends NodeFS {
  /** @param settled what is on the disk already, and is not written through again while it is as it was */
  constructor(
    folder: string,
    private readonly settled: Settled,
    private readonly onBroken: (error: unknown) => void,
  ) {
    super(folder);
  }

  override async init(...[pg, options]: Parameters<NodeFS["init"]>) {
    const { emscriptenOpts } = await super.init(pg, options);
    const addSync = (module: unknown) => {
      const { FS, NODEFS } = module as {
        NODEFS: NodeFileSystem;
        FS: { ErrnoError: new (code: number) => Error };
      };
      NODEFS.stream_ops.fsync = ({ nfd, node }) => {
        try {
          if (nfd === undefined) this.syncFolder(NODEFS.realPath(node));
          else if (!this.settled.has(fs.fstatSync(nfd, { bigint: true }))) fs.fdatasyncSync(nfd);
        } catch (error) {
          this.onBroken(error);
          throw new FS.ErrnoError(NODEFS.convertNodeCode(error));
        }
        return 0;
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [addSync, ...(emscriptenOpts.preRun ?? [])] } };
  }

  private syncFolder(place: string): void {
    if (!this.settled.has(fs.statSync(place, { bigint: true }))) syncPath(place);
  }
}

/** The database of a data folder, and when it may be used: open, migrated by nobody yet, and on the disk whole. */
export type Durable = { readonly client: PGlite; readonly ready: Promise<void> };

/**
 * Opens the database of a data folder, and makes it where there is none; throws where there is only part of one. What it acknowledges is on the disk. One that was
 * cut off while it was made held nothing yet, and is made anew.
 * @param folder the data folder, which is there already
 * @param onBroken is told when the disk does not take what was written. The database gives up then: the program should
 * end, and finds all it has acknowledged when it is started again
 */
export function openDurable(
  folder: string,
  onBroken: (error: unknown) => void = (error) => {
    throw error;
  },
): Durable {
  const place = placeIn(folder);
  const unfinished = path.join(folder, `${DATABASE}.unfinished`);
  if (fs.existsSync(unfinished)) fs.rmSync(place, { recursive: true, force: true });
  const isNew = !fs.existsSync(place) || fs.readdirSync(place).length === 0;
  if (!isNew && !fs.existsSync(path.join(place, "PG_VERSION")))
    throw new Error("PG_VERSION is missing: these are not all the files of a database");
  if (isNew) {
    fs.writeFileSync(unfinished, "");
    syncPath(folder);
    copyBlank(place);
  }
  const settled = new Settled();
  const client = new PGlite({ fs: new DurableFS(place, settled, onBroken), startParams: START_PARAMS });
  // What a killed program wrote is written through while the database itself is still being read in. It does the same with
  // every file, one by one, before it recovers.
  if (!isNew) settled.settle(place);
  const ready = client.waitReady.then(() => {
    if (isNew) {
      settled.settle(place);
      syncPath(folder);
      syncPath(path.dirname(folder));
      fs.rmSync(unfinished, { force: true });
      syncPath(folder);
    }
    settled.forget();
  });
  // Whoever asks for it meets what went wrong.
  ready.catch(() => {});
  return { client, ready };
}
