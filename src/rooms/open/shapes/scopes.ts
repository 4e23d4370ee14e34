import type { Choice } from "@/core/song/schema";

/** Where a chosen shape holds, in words. */
export const SCOPES: readonly { readonly value: Choice["scope"]; readonly label: string }[] = [
  { value: "symbol", label: "everywhere in this song" },
  { value: "chord", label: "at this place, each time" },
  { value: "chord-in-use", label: "at this place, this time only" },
];
