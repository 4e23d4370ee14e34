"use client";

import { useStore } from "zustand";
import { tellKey } from "@/core/song/names";
import { windowNames } from "./window-names";

/** Tells a key in letters as this window writes it, where no song is open. */
export function useKeyTold(): (letters: string) => string {
  const choice = useStore(windowNames);
  return (letters) => tellKey(letters, choice);
}
