"use client";

import { useStore } from "zustand";
import { hasStrings } from "@/core/song/read";
import { byOrder } from "@/document";
import { useRows } from "../open";
import { NamesSwitch } from "./NamesSwitch";
import { chooseNames, windowNames } from "./window-names";

/** The switch of an open song: it stands in the head of every room. */
export function SongNames() {
  const choice = useStore(windowNames);
  const players = Object.values(useRows("players").players).sort(byOrder).filter(hasStrings);
  return <NamesSwitch choice={choice} players={players} onChoose={chooseNames} />;
}
