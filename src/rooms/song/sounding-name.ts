import type { VersionRow } from "@/core/song/schema";
import { derive } from "../open";

/** How a written symbol reads in the performing key. */
export function soundingName(version: VersionRow, symbol: string): { name: string; readable: boolean } {
  const named = derive.sounding(version).name(symbol);
  return { name: named.sounding, readable: named.chord !== null };
}
