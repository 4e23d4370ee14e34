import { formatKey, moveKey, parseKey } from "@/core/pitch";

/** The twelve keys of a mode, named from the key the song stands in. */
export function keyChoices(key: string): string[] {
  const parsed = parseKey(key);
  if (!parsed.ok) return [key];
  const names = Array.from({ length: 12 }, (_, semitones) => formatKey(moveKey(parsed.value, semitones)));
  return [...new Set([key, ...names])];
}
