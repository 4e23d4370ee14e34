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
  /^\/lit\.(?:mp4|webm)$/u,
  /^\/lantern-ca\.crt$/u,
];

/** What those who have joined get of their evening, by method and path. */
const OF_AN_EVENING: readonly (readonly [method: string, path: RegExp, least: Role])[] = [
  ["GET", /^\/live\/([\w-]{1,40})$/u, "viewer"],
  ["GET", /^\/api\/stage\/([\w-]{1,40})\/(?:live|events|clock|pack|people|me|notes)$/u, "viewer"],
  ["POST", /^\/api\/stage\/([\w-]{1,40})\/me$/u, "viewer"],
  ["PUT", /^\/api\/stage\/([\w-]{1,40})\/notes$/u, "player"],
  ["POST", /^\/api\/stage\/([\w-]{1,40})\/press$/u, "leader"],
];

/** What a request needs. Whatever is not named is the leader's alone. @example needs("GET", "/join") // => { least: "anyone" } */
export function needs(method: string, path: string): Need {
  const read = method === "HEAD" ? "GET" : method;
  if (read === "GET" && FOR_ANYONE.some((known) => known.test(path))) return ANYONE;
  if (path === "/api/join" && (read === "GET" || read === "POST")) return ANYONE;
  for (const [wanted, known, least] of OF_AN_EVENING) {
    const found = wanted === read ? known.exec(path) : null;
    if (found) return { least, eveningId: found[1]! };
  }
  return LEADER;
}

const RANK: Readonly<Record<Role, number>> = { viewer: 0, player: 1, leader: 2 };

/** Whether a role is enough. @param eveningId the evening the role was given for */
export const isEnough = (need: Need, role: Role, eveningId: string): boolean =>
  need.least === "anyone" ||
  role === "leader" ||
  (RANK[role] >= RANK[need.least] && need.eveningId === eveningId);
