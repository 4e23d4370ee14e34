"use client";

import { useStore } from "zustand";
import { describeHand } from "@/core/song/names";
import { hasStrings } from "@/core/song/read";
import { byOrder } from "@/document";
import { chooseNames, NamesSwitch, windowNames } from "../names";
import { useRows } from "./open-song";

/** The switch of an open song: it stands in the head of every room. */
export function SongNames() {
  const choice = useStore(windowNames);
  const players = Object.values(useRows("players").players)
    .sort(byOrder)
    .filter(hasStrings)
    .map((player) => ({ name: player.name, told: describeHand(player) }));
  return <NamesSwitch choice={choice} players={players} onChoose={chooseNames} />;
}
