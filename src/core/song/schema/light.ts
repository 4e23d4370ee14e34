/** The five levels of light, from silence to everything. */
export const LIGHT_WORDS = ["out", "ember", "low", "bright", "full"] as const;
export const FULL_LIGHT = LIGHT_WORDS.length - 1;
