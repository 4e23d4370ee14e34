import { refuse } from "../http";

export type Role = "leader" | "player" | "viewer";

/** Who asks. `nobody` may read what lies open to this machine, and change nothing. */
export type Principal = {
  readonly role: Role | "nobody";
  /** Who joined by a code or the passphrase; null for whoever sits at this machine. */
  readonly guestId: string | null;
};

/** What the gate writes on a request after it has looked at it; what came from outside by these names is thrown away. */
export const ROLE_HEADER = "x-lantern-role";
export const GUEST_HEADER = "x-lantern-guest";

const ROLES: readonly string[] = ["leader", "player", "viewer"];

/** Who the gate found a request to come from. */
export function principal(request: Pick<Request, "headers">): Principal {
  const role = request.headers.get(ROLE_HEADER) ?? "";
  return {
    role: ROLES.includes(role) ? (role as Role) : "nobody",
    guestId: request.headers.get(GUEST_HEADER),
  };
}

/** The answer to someone who may not change anything, or null to the leader. */
export const refuseChange = (request: Request): Response | null =>
  principal(request).role === "leader"
    ? null
    : refuse(403, "who", "may look on, but not change anything: that needs the leader's passphrase");
