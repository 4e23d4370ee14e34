import type { SoundBox } from "@/core/song/schema";

/** Changes some fields of a player's box. */
export type ChangeBox = (fields: Partial<Omit<SoundBox, "id" | "playerId">>) => void;
