import { ENDPOINTS } from "@/api";
import type { Role } from "./index";

/** What a request needs: `anyone` on the network, a role in the evening that is open, or to be at this machine or leader. */
export type Need = { readonly least: "anyone" } | { readonly least: Role; readonly eveningId: string | null };

const ANYONE: Need = { least: "anyone" };
const LEADER: Need = { least: "leader", eveningId: null };

/** Pages and files that somebody who has not joined yet must get. */
const FOR_ANYONE = [
  /^\/join(?:\/trust)?$/u,
  /^\/_next\/static\//u,
  /^\/icon\.svg$/u,
  /^\/favicon\.ico$/u,
  /^\/stage-worker\.js$/u,
  /^\/sound(?:s\.sf3|-worklet\.js)$/u,
  /^\/lit\.(?:mp4|webm)$/u,
  /^\/lantern-ca\.crt$/u,
];

/** A path as a pattern: what stands in brackets is an id, and the first is kept. */
const patternOf = (path: string): RegExp =>
  new RegExp(`^${path.replaceAll(/\[\w+\]/gu, "([\\w-]{1,40})")}$`, "u");

type Rule = { readonly method: string; readonly path: RegExp; readonly least: "anyone" | Role };

/** What others than the leader get: of pages the stage, of endpoints what these say of themselves. */
const RULES: readonly Rule[] = [
  { method: "GET", path: patternOf("/live/[eveningId]"), least: "viewer" },
  { method: "GET", path: patternOf("/live/[eveningId]/rehearse"), least: "viewer" },
  ...ENDPOINTS.filter(({ who, path }) => who !== "leader" || path.includes("[eveningId]")).map(
    ({ method, path, who }): Rule => ({ method, path: patternOf(path), least: who }),
  ),
];

/** What a request needs. Whatever is not named is the leader's alone. @example needs("GET", "/join") // => { least: "anyone" } */
export function needs(method: string, path: string): Need {
  const read = method === "HEAD" ? "GET" : method;
  if (read === "GET" && FOR_ANYONE.some((known) => known.test(path))) return ANYONE;
  for (const rule of RULES) {
    const found = rule.method === read ? rule.path.exec(path) : null;
    if (found) return rule.least === "anyone" ? ANYONE : { least: rule.least, eveningId: found[1]! };
  }
  return LEADER;
}

const RANK: Readonly<Record<Role, number>> = { viewer: 0, player: 1, leader: 2 };

/** Whether a role is enough. @param eveningId the evening the role was given for */
export const isEnough = (need: Need, role: Role, eveningId: string): boolean =>
  need.least === "anyone" ||
  role === "leader" ||
  (RANK[role] >= RANK[need.least] && need.eveningId === eveningId);
