import type { Choice } from "@/core/song/schema";

/** Where a shape that is chosen holds: in the song, or, kept in the shape book, in every song. */
export type Scope = Choice["scope"] | "book";

/** The same in words, the widest first. */
export const SCOPES: readonly { readonly value: Scope; readonly label: string }[] = [
  { value: "book", label: "in every song (shape book)" },
  { value: "symbol", label: "in this song, any voicing" },
  { value: "voicing", label: "in this song" },
  { value: "section", label: "in this section" },
  { value: "chord", label: "at this chord, each time" },
  { value: "chord-in-use", label: "at this chord, this time only" },
];

/** Whether a scope is about one chord among several like it. */
export const isOfOneChord = (scope: Scope): boolean => scope === "chord" || scope === "chord-in-use";
