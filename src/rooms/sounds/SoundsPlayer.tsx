"use client";

import Link from "next/link";
import type { ComponentType } from "react";
import { create } from "zustand";
import type { Player, VersionBody } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { useOpenSong, useRowsLater } from "../open";
import { SoundsTabs } from "./SoundsTabs";

/** Whose sounds the room is about: kept while one goes from page to page. */
const useChosen = create<{ readonly id: string; readonly choose: (id: string) => void }>((set) => ({
  id: "",
  choose: (id) => set({ id }),
}));

/** Who has sounds, or a part that names one. */
export const playersWithSounds = (body: Pick<VersionBody, "sounds" | "cells">): ReadonlySet<string> =>
  new Set([
    ...Object.values(body.sounds).map(({ playerId }) => playerId),
    ...Object.values(body.cells).flatMap(({ playerId, sound }) => (sound ? [playerId] : [])),
  ]);

/** Whoever has sounds to change comes first; singers and drums last. */
function soundPlayers(body: Pick<VersionBody, "players" | "sounds" | "cells">): Player[] {
  const has = playersWithSounds(body);
  const rank = (player: Player): number =>
    has.has(player.id) ? 0 : player.instrument === "guitar" || player.instrument === "bass" ? 1 : 2;
  return Object.values(body.players)
    .sort(byOrder)
    .sort((a, b) => rank(a) - rank(b));
}

/** A page of the Sounds room: it is about one player. */
export function SoundsPage({ children: Page }: { children: ComponentType<{ readonly player: Player }> }) {
  const body = useRowsLater("players", "sounds", "cells");
  const { id, choose } = useChosen();
  const { version } = useOpenSong();
  const players = soundPlayers(body);
  const player = players.find((one) => one.id === id) ?? players[0];
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-6">
        <h1 className="mb-1 mr-auto">Sounds</h1>
        {player && (
          <span className="mb-2">
            <SelectField
              label="Whose sounds"
              className="w-44"
              value={player.id}
              options={players.map((one) => ({ value: one.id, label: one.name }))}
              onSet={choose}
            />
          </span>
        )}
      </div>
      <SoundsTabs />
      {player ? (
        <Page key={player.id} player={player} />
      ) : (
        <p className="rounded-box bg-base-200 p-4">
          Nobody plays yet.{" "}
          <Link className="link font-bold" href={`/song/${version.id}/players`}>
            Add the first player in Players
          </Link>
          ; their sounds stand here then.
        </p>
      )}
    </>
  );
}
