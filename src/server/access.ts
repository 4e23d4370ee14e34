import { refuse } from "./http";

/** Who asks. Until others can join over the network, whoever reaches this server is the leader. */
export type Principal = { readonly role: "leader" | "player" | "viewer" };

export const principal = (_request: Request): Principal => ({ role: "leader" });

/** The answer to someone who may not change anything, or null to the leader. */
export const refuseChange = (request: Request): Response | null =>
  principal(request).role === "leader" ? null : refuse(403, "who", "may look on, but not change this song");
