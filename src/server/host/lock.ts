import { createHash } from "node:crypto";
import { unlinkSync } from "node:fs";
import { connect, createServer } from "node:net";
import path from "node:path";

/**
 * Holds a folder for this process: two processes on one database folder corrupt it. On Linux the lock is an
 * abstract socket named after the real path, which is free again at once however the process ends; elsewhere
 * a socket file in the folder, taken over when nobody answers on it.
 * @returns a promise of true when the lock is ours
 */
export async function lockFolder(realPath: string): Promise<boolean> {
  if (process.platform === "linux") {
    const name = createHash("sha256").update(realPath).digest("hex").slice(0, 40);
    return listen(`\0shared-lantern-${name}`);
  }
  const file = path.join(realPath, "lock.socket");
  if (await listen(file)) return true;
  if (await answers(file)) return false;
  unlinkSync(file);
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
