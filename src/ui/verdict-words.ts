import type { Verdict } from "@/core/song/schema";

/** What the leader thinks of a song for this band, as it is told. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = Object.freeze({
  open: "not decided",
  fits: "it fits",
  later: "later",
  "not for us": "not for us",
});
