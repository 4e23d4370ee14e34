/** The five levels of light, from silence to everything. */
export const LIGHT_WORDS = ["out", "ember", "low", "bright", "full"] as const;
