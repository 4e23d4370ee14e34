/**
 * The program's own server around Next: a loopback listener, and one for the network that the leader opens and closes. It
 * holds the lock on the data folder, checks Host and Origin, asks the gate who a request comes from before anything else
 * is asked, and closes the database when it is told to stop.
 */

import { mkdirSync, realpathSync } from "node:fs";
import { createServer } from "node:http";
import { runningClock } from "./clock";
import { makeDoor } from "./door";
import { setHost } from "./host";
import type { Gate } from "./host-gate";
import { readOptions } from "./host-options";
import { lockFolder } from "./lock";
import { makeNetwork } from "./network";
import { judge, loopbackHosts } from "./origin";
import { readAhead } from "./read-ahead";

const HOSTNAME = "127.0.0.1";

const say = (sentence: string): void => {
  process.stderr.write(`${sentence}\n`);
};

function leave(sentence: string, code: number): never {
  say(sentence);
  process.exit(code);
}

const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? String(error);

/** Something that is waited for, and what brings it. */
function promised<Value>(): readonly [Promise<Value>, (value: Value) => void] {
  let bring: (value: Value) => void = () => {};
  const promise = new Promise<Value>((resolve) => {
    bring = resolve;
  });
  return [promise, bring];
}

process.env.NEXT_MANUAL_SIG_HANDLE = "true";
process.env.NEXT_TELEMETRY_DISABLED = "1";

const options = readOptions(process.argv.slice(2), process.env);
if (typeof options === "string") leave(options, 2);
const { dev, secure, closed, port, folder } = options;
// Next reads it before anything of ours runs again.
Object.assign(process.env, { NODE_ENV: process.env.NODE_ENV ?? (dev ? "development" : "production") });

try {
  mkdirSync(folder, { recursive: true });
} catch (error) {
  leave(
    `The data folder ${folder} can't be made (${codeOf(error)}). Nothing was changed. Set LANTERN_DATA to a folder that can be written.`,
    1,
  );
}
const lost = () =>
  leave(
    `The data folder ${folder} was taken over by another Shared Lantern while this one stood still. This one ends: what was said to be saved is there.`,
    1,
  );
if (!(await lockFolder(realpathSync(folder), lost)))
  leave(
    `The data folder ${folder} is in use by another Shared Lantern. Close that one first, or set LANTERN_DATA to another folder.`,
    1,
  );

// Opening the database takes as long as getting Next ready: it is begun first.
const { Store } = await import("../store/store");
const store = new Store(folder, {
  onBroken: (code) =>
    leave(
      `The disk does not take what is written into ${folder} (${code}). The program ends: what was said to be saved is there, and windows keep what was not. Look at the disk, then start it again.`,
      1,
    ),
  onLost: (reason) =>
    leave(
      `The database stopped (${reason}). The program ends: what was said to be saved is there. Start it again.`,
      1,
    ),
});
const { default: next } = await import("next");

/** Loaded only where it is wanted: making certificates takes a library that nobody else needs. */
async function certificateFor(names: readonly string[], addresses: readonly string[]) {
  if (!secure) return null;
  const { authorityIn, makeServerCertificate } = await import("./certificate");
  return makeServerCertificate(authorityIn(folder, names, addresses), names, addresses);
}

const [gate, takeGate] = promised<Gate>();
const app = next({ dev, dir: process.cwd(), hostname: HOSTNAME, port });
const [handle, setHandle] = promised<ReturnType<typeof app.getRequestHandler>>();
const door = makeDoor(gate, handle, say, { dev });
const network = makeNetwork(door, certificateFor);
setHost({
  network: { ...network, firstPort: port + 1, secure },
  store,
  takeGate,
  clock: runningClock(),
  kept: new Map(),
});

const server = createServer((request, response) =>
  door(request, response, { from: "here", hosts: loopbackHosts(port), scheme: "http" }),
);

server.on("upgrade", (request, socket, head) => {
  if (judge(request, loopbackHosts(port))) socket.destroy();
  else void handle.then(() => app.getUpgradeHandler()(request, socket, head));
});

server.on("error", (error) =>
  leave(
    codeOf(error) === "EADDRINUSE"
      ? `Port ${port} is in use. Close the program that holds it, or choose another: PORT=${port + 1} npm run demo`
      : `The server could not listen on ${HOSTNAME}:${port} (${codeOf(error)}).`,
    1,
  ),
);

server.listen(port, HOSTNAME, async () => {
  try {
    await app.prepare();
    if (!dev) readAhead(process.env.LANTERN_DIST ?? ".next");
    const opened = await (await gate).reopen({ closed });
    if (opened) process.stdout.write(`The evening is open to the network again, at port ${opened.port}.\n`);
  } catch (error) {
    leave(
      `The program could not start: ${error instanceof Error ? error.message : error}\nNothing was changed. If there is no finished build, npm run demo makes one.`,
      1,
    );
  }
  setHandle(app.getRequestHandler());
  process.stdout.write(`Shared Lantern is lit: http://${HOSTNAME}:${port}\n`);
});

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"] as const) {
  process.on(signal, async () => {
    if (stopping) return;
    stopping = true;
    server.close();
    server.closeAllConnections();
    await network.close();
    // One that was not brought yet has nothing open.
    const brought = await Promise.race([gate, Promise.resolve(null)]);
    await brought?.close().catch(() => {});
    process.exit(0);
  });
}
