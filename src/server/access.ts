/** Who asks. Until others can join over the network, whoever reaches this server is the leader. */
export type Principal = { readonly role: "leader" };

export const principal = (): Principal => ({ role: "leader" });
