import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { HOST } from "./ready.mjs";

/** A port of the loopback that is free now. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/**
 * Starts the program on a data folder of its own and waits for its first page.
 * @param {{ data: string, port?: number, env?: Record<string, string>, args?: string[], page?: string, longestMs?: number }} options
 * @returns its address, how long the first page took (ms), and how to end it
 */
export async function startServer({ data, port, env = {}, args = [], page = "/", longestMs = 60_000 }) {
  const chosen = port ?? (await freePort());
  const began = performance.now();
  const child = spawn(process.execPath, [HOST, ...args], {
    env: { ...process.env, NODE_ENV: "production", LANTERN_DATA: data, PORT: String(chosen), ...env },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let said = "";
  child.stdout.on("data", (text) => {
    said += text;
  });
  child.stderr.on("data", (text) => {
    said += text;
  });
  const ended = new Promise((resolve) => child.once("exit", (code, signal) => resolve({ code, signal })));
  const address = `http://127.0.0.1:${chosen}`;
  while (performance.now() - began < longestMs) {
    if (child.exitCode !== null) throw new Error(`The server ended before it answered: ${said}`);
    try {
      const response = await fetch(address + page, { signal: AbortSignal.timeout(20_000) });
      await response.text();
      if (response.ok) {
        const stop = async (signal = "SIGTERM") => {
          child.kill(signal);
          return ended;
        };
        return {
          address,
          port: chosen,
          firstPageMs: performance.now() - began,
          child,
          stop,
          ended,
          said: () => said,
        };
      }
    } catch {
      // Not listening yet.
    }
    await wait(20);
  }
  child.kill("SIGKILL");
  throw new Error(`The server did not answer within ${longestMs} ms: ${said}`);
}
