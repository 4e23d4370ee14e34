"use client";

import { useState } from "react";
import type { Player } from "@/core/song/schema";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { useTones } from "../use-sounds";
import { SoundPane } from "./SoundPane";
import { ThroughSong } from "./ThroughSong";

/** The ledger: which sound where, what changes from the one before; and one sound opened beside it. */
export const LedgerPage = () => <SoundsPage>{Ledger}</SoundsPage>;

function Ledger({ player }: { player: Player }) {
  const tones = useTones(player);
  const [openId, setOpenId] = useState<string | null>(null);
  const { sounds } = tones.song;
  const open = sounds.find(({ id }) => id === openId) ?? sounds[0] ?? null;
  return (
    <>
      <ToneNotes tones={tones} />
      <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <ThroughSong tones={tones} openName={open?.name ?? null} onOpen={setOpenId} />
        <SoundPane tones={tones} open={open} onOpen={setOpenId} />
      </div>
    </>
  );
}
