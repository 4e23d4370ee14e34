/** What a player is for in a section. */
export const ROLES = ["carry", "support", "line", "bass", "out"] as const;
export type Role = (typeof ROLES)[number];
