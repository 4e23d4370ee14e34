import type { EveningItem } from "@/core/song/schema";

/** What people call what stands in a running order. */
export const KIND_WORDS: Readonly<Record<EveningItem["kind"], string>> = Object.freeze({
  song: "song",
  talk: "Talk",
  prayer: "Prayer",
  announcement: "Announcement",
  pause: "Pause",
});
