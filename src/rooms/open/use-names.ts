"use client";

import { useMemo } from "react";
import { useStore } from "zustand";
import type { NoteName } from "@/core/pitch";
import { Namer, type NamesChoice, readerBy, type Whose } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import { windowNames } from "../names";
import { useRows } from "./open-song";

/**
 * Whoever tells names at a place: of a player behind a capo, or of the song itself; the shift is a use's. It stays the same
 * object while what it tells stays the same.
 */
export type NamesAt = (whose?: Whose | null, shift?: number) => Namer;

/** Tells names by a choice, each reader's chords read once. */
export function namesBy(
  choice: NamesChoice,
  body: Pick<VersionBody, "version" | "extras" | "players">,
): NamesAt {
  const namers = new Map<string, Namer>();
  return (whose = null, shift = 0) => {
    const key = `${whose?.player.id} ${whose?.capo} ${shift}`;
    const namer = namers.get(key) ?? new Namer(body, readerBy(choice, body, whose), shift);
    namers.set(key, namer);
    return namer;
  };
}

/** A chord's name for who reads, and whether it could be read at all. */
export type NameOf = (symbol: string) => { readonly name: string; readonly readable: boolean };

/** Names of written chords by a namer. */
export const nameBy =
  (namer: Namer): NameOf =>
  (symbol) => {
    const named = namer.name(symbol);
    return { name: named.read, readable: named.chord !== null };
  };

/** How a namer tells chords and notes that sound. */
export const soundingNames = (namer: Namer) => ({
  chord: (symbol: string) => namer.readSounding(symbol),
  note: (name: NoteName) => namer.note(name),
});

/** Tells names as this window wants them. */
export function useNames(): NamesAt {
  const choice = useStore(windowNames);
  const { version, extras, players } = useRows("version", "extras", "players");
  return useMemo(() => namesBy(choice, { version, extras, players }), [choice, version, extras, players]);
}

/** Names the chords of the song itself. */
export function useNameOf(): NameOf {
  const names = useNames();
  return useMemo(() => nameBy(names()), [names]);
}
