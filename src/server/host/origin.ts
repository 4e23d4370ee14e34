import type { IncomingMessage } from "node:http";

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);

export type Scheme = "http" | "https";

/** The names this machine's loopback answers to. */
export const loopbackHosts = (port: number): string[] =>
  ["127.0.0.1", "localhost", "[::1]"].map((name) => `${name}:${port}`);

/**
 * Judges whether a request may be answered. Any web page can post to a loopback address, or have a name of its own point
 * there, so the Host must be this server's own, and a change of state must come from its own pages (or from no page at
 * all).
 * @param hosts the names and ports this listener answers to, in small letters
 * @returns null when it may, else what is wrong
 */
export function judge(
  request: Pick<IncomingMessage, "method" | "headers">,
  hosts: readonly string[],
  scheme: Scheme = "http",
): { readonly path: string; readonly message: string } | null {
  const { host, origin } = request.headers;
  const asked = String(host).toLowerCase();
  if (!hosts.includes(asked)) {
    return { path: "Host", message: `should be ${hosts[0]}; this server answers to its own address only` };
  }
  if (SAFE.has(request.method ?? "") && request.headers.upgrade === undefined) return null;
  const site = request.headers["sec-fetch-site"];
  const own =
    origin === undefined
      ? site === undefined || site === "same-origin" || site === "none"
      : hosts.some((name) => origin === `${scheme}://${name}`);
  return own ? null : { path: "Origin", message: "should be this program's own page; nothing was changed" };
}
