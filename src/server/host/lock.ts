import { createHash, randomUUID } from "node:crypto";
import fs from "node:fs";
import { connect, createServer } from "node:net";
import { hostname } from "node:os";
import path from "node:path";

/** How often who holds a folder says so, and how long one that says nothing is waited for, ms. */
const BEAT_MS = 1000;
const SILENT_MS = 4000;
const LOOK_MS = 200;

/** What stands in the lock file: who holds the folder, and where. */
type Held = { readonly token: string; readonly where: string };

/**
 * Holds a folder for this process: two processes on one database folder corrupt it. Of processes that see each other a socket
 * tells at once whether one is there: on Linux an abstract one named after the real path, free again however the process
 * ends; elsewhere a socket file, taken over when nobody answers on it. Of those that don't, in another container, a file in
 * the folder tells, whose holder touches it every second.
 * @param onLost is told when another process has taken the folder over, after this one stood still for long
 * @returns a promise of true when the folder is ours
 */
export async function lockFolder(
  realPath: string,
  onLost: () => void = () => {},
  silentMs = SILENT_MS,
): Promise<boolean> {
  if (!(await lockSocket(realPath))) return false;
  const file = path.join(realPath, "lock.json");
  const own: Held = { token: randomUUID(), where: whereWeAre() };
  if (!(await isFree(file, own, silentMs)) || !write(file, own)) return false;
  const beat = setInterval(() => {
    if (read(file)?.token === own.token) touch(file);
    else {
      clearInterval(beat);
      onLost();
    }
  }, BEAT_MS);
  beat.unref();
  process.once("exit", () => {
    if (read(file)?.token === own.token) fs.rmSync(file, { force: true });
  });
  return true;
}

/** Processes that say the same here see each other's sockets. */
function whereWeAre(): string {
  const told = (ask: () => string) => {
    try {
      return ask();
    } catch {
      return "";
    }
  };
  const boot = told(() => fs.readFileSync("/proc/sys/kernel/random/boot_id", "utf8").trim());
  const network = told(() => fs.readlinkSync("/proc/self/ns/net"));
  return `${hostname()} ${boot} ${network}`;
}

/** Whether nobody holds the file: not there, left behind by one whose socket would still be taken, or untouched for long. */
async function isFree(file: string, own: Held, silentMs: number): Promise<boolean> {
  const held = read(file);
  if (!held || held.where === own.where) return true;
  const first = touchedAt(file);
  for (let waited = 0; waited < silentMs; waited += LOOK_MS) {
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    const now = touchedAt(file);
    if (now === null) return true;
    if (now !== first) return false;
  }
  return true;
}

/** Takes the file; of two that do so at once one finds the other's. */
function write(file: string, own: Held): boolean {
  const fresh = `${file}.${own.token}`;
  fs.writeFileSync(fresh, JSON.stringify(own));
  fs.renameSync(fresh, file);
  return read(file)?.token === own.token;
}

function read(file: string): Held | null {
  try {
    return JSON.parse(fs.readFileSync(file, "utf8")) as Held;
  } catch {
    return null;
  }
}

const touchedAt = (file: string): number | null =>
  fs.statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? null;

function touch(file: string): void {
  const now = new Date();
  try {
    fs.utimesSync(file, now, now);
  } catch {
    // A folder that can't be written says so where it matters.
  }
}

async function lockSocket(realPath: string): Promise<boolean> {
  if (process.platform === "linux") {
    const name = createHash("sha256").update(realPath).digest("hex").slice(0, 40);
    return listen(`\0shared-lantern-${name}`);
  }
  const file = path.join(realPath, "lock.socket");
  if (await listen(file)) return true;
  if (await answers(file)) return false;
  fs.unlinkSync(file);
  return listen(file);
}
const listen = (address: string): Promise<boolean> =>
  new Promise((resolve) => {
    const server = createServer((socket) => socket.end());
    server.unref();
    server.once("error", () => resolve(false));
    server.listen(address, () => resolve(true));
  });

const answers = (file: string): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect(file, () => {
      socket.destroy();
      resolve(true);
    });
    socket.once("error", () => resolve(false));
  });
