import type { Database } from "../db/open-database";
import { type Admission, type AtTheGate, host } from "../host";
import { GUEST_HEADER, ROLE_HEADER } from "./index";
import { isEnough, needs } from "./needs";
import { findGuest, findOpening } from "./openings";

/** The cookie that carries a guest's token: browsers keep cookies by host alone, and two programs may run at two ports. */
const tokenCookieName = (): string => {
  const port = host().network?.firstPort;
  return port === undefined ? "lantern" : `lantern-${port}`;
};

/** How long a cookie lasts, s; what it opens ends with the evening. */
const COOKIE_SECONDS = 3 * 86_400;

/** The cookie that lets a guest in: scripts can't read it, and other sites' pages don't send it along. */
export const tokenCookie = (token: string, secure: boolean): string =>
  `${tokenCookieName()}=${token}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${COOKIE_SECONDS}${secure ? "; Secure" : ""}`;

const tokenIn = (cookie: string): string | null => {
  const own = tokenCookieName();
  return (
    cookie
      .split(";")
      .map((part) => part.trim().split("="))
      .find(([name]) => name === own)?.[1] ?? null
  );
};

/** What whoever is at this machine may have while the database does not open: the first page and its way out. */
const FOR_RESCUE = /^\/(?:|api\/backup\/kept|icon\.svg|favicon\.ico|_next\/static\/.*)$/u;

/** Looks at a request while the database does not open: nobody can be told from another, so only this machine gets in. */
export function admitToRescue({ method, path, from }: Omit<AtTheGate, "cookie">): Admission {
  if (from === "here" && FOR_RESCUE.test(path)) return { ok: true, headers: { [ROLE_HEADER]: "leader" } };
  return {
    ok: false,
    status: 503,
    message: "The database does not open. The first page, at the machine itself, offers the newest backup.",
    location: from === "here" && method === "GET" && !path.startsWith("/api/") ? "/" : null,
  };
}

/**
 * Looks at every request before anything else does. While nothing is open, whoever is at this machine is the leader. While
 * an evening is open, the leader is who carries the leader's token, on this machine too; others at this machine may read.
 * From the network nothing but what {@link needs} names is reached without a token.
 */
export async function admit(database: Database, request: AtTheGate): Promise<Admission> {
  const { method, path, from } = request;
  const opening = await findOpening(database);
  const token = tokenIn(request.cookie);
  const guest = opening && token ? await findGuest(database, token) : null;
  if (from === "here" && !opening) return { ok: true, headers: { [ROLE_HEADER]: "leader" } };
  const headers: Record<string, string> = guest
    ? { [ROLE_HEADER]: guest.role, [GUEST_HEADER]: guest.id }
    : {};
  if (from === "here") return { ok: true, headers };
  const need = needs(method, path);
  if (need.least === "anyone") return { ok: true, headers };
  const isPage = method === "GET" && !path.startsWith("/api/");
  if (!opening || !guest)
    return {
      ok: false,
      status: 401,
      message: token
        ? "This code has ended or was withdrawn. Ask the leader for a new one and join again."
        : "Join first, with the code the leader shows.",
      location: isPage ? "/join" : null,
    };
  if (isEnough(need, guest.role, opening.eveningId)) return { ok: true, headers };
  return {
    ok: false,
    status: 403,
    message: "That is the leader's to do. Nothing was changed.",
    location: isPage ? `/live/${opening.eveningId}` : null,
  };
}
