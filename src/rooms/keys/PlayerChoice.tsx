"use client";

import Link from "next/link";
import { useState } from "react";
import { byOrder, type Player } from "@/core/song";
import { SelectField } from "@/ui/SelectField";
import { useOpenSong, useVersion } from "../document";

/** Players in their order, and which one a page is about. */
export function usePlayer(fits: (player: Player) => boolean = () => true) {
  const body = useVersion();
  const [id, setId] = useState("");
  const players = Object.values(body.players).sort(byOrder).filter(fits);
  return { players, player: players.find((one) => one.id === id) ?? players[0], setId };
}

export function PlayerChoice({
  players,
  player,
  onSet,
}: {
  players: readonly Player[];
  player: Player;
  onSet: (id: string) => void;
}) {
  return (
    <SelectField
      label="Player"
      className="w-40"
      value={player.id}
      options={players.map((one) => ({ value: one.id, label: one.name }))}
      onSet={onSet}
    />
  );
}

export function NobodyPlays() {
  const { version } = useOpenSong();
  return (
    <p className="rounded-box bg-base-200 p-4">
      Nobody plays yet.{" "}
      <Link className="link font-bold" href={`/song/${version.id}/players`}>
        Add the first player in Players
      </Link>
      ; this page is about one player’s hand.
    </p>
  );
}
