"use client";

import Link from "next/link";
import { type ComponentType, useState } from "react";
import { hasStrings } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { useOpenSong, useRows } from "../open";
import { KeysTabs } from "./KeysTabs";

/** Players in their order, and which one a page is about. */
function usePlayer(fits: (player: Player) => boolean) {
  const body = useRows("players");
  const [id, setId] = useState("");
  const players = Object.values(body.players)
    .sort(byOrder)
    .filter((one) => hasStrings(one) && fits(one));
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

function NobodyPlays() {
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

/** What a page about one player is given: everybody it could be about, and how to go to another. */
export type PlayerPageProps = {
  readonly players: readonly Player[];
  readonly player: Player;
  readonly onPlayer: (id: string) => void;
};

/** A page of the Keys room that is about one player; it begins anew with each. */
export function PlayerPage({
  fits = () => true,
  children: Page,
}: {
  fits?: (player: Player) => boolean;
  children: ComponentType<PlayerPageProps>;
}) {
  const { players, player, setId } = usePlayer(fits);
  return (
    <>
      <h1 className="mb-1">Keys</h1>
      <KeysTabs />
      {player ? <Page key={player.id} players={players} player={player} onPlayer={setId} /> : <NobodyPlays />}
    </>
  );
}
