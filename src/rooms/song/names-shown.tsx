"use client";

import { createContext, useContext, useMemo } from "react";
import { unwrap } from "@/base";
import { parseTuning } from "@/core/pitch";
import { Namer, usualTuning } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { derive } from "../open";

/** A chord's name for who reads, and whether it could be read at all. */
export type NameOf = (symbol: string) => { readonly name: string; readonly readable: boolean };

/** How a written symbol reads in the performing key. */
export function soundingName(version: VersionRow, symbol: string): { name: string; readable: boolean } {
  const named = derive.sounding(version).name(symbol);
  return { name: named.sounding, readable: named.chord !== null };
}

/** The capo behind which chords are shown as a guitar's shapes; 0 shows what sounds. */
const ShownCapo = createContext(0);
export const ShownBehindCapo = ShownCapo.Provider;

/** Names chords as this room shows them. */
export function useNameOf(version: VersionRow): NameOf {
  const capo = useContext(ShownCapo);
  return useMemo(() => {
    if (capo === 0) return (symbol) => soundingName(version, symbol);
    const tuning = unwrap(parseTuning(usualTuning("guitar")));
    const namer = new Namer(
      { version: { [version.id]: version } },
      { tuning, capo, readsShapes: true, naming: "letters" },
    );
    return (symbol) => {
      const named = namer.name(symbol);
      return { name: named.read, readable: named.chord !== null };
    };
  }, [version, capo]);
}
