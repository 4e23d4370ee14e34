"use client";

import type { Player } from "@/core/song/schema";
import { SearchNote } from "@/ui/SearchNote";
import { Waiting } from "@/ui/Waiting";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { useTones } from "../use-sounds";
import { BanksBoard } from "./BanksBoard";
import { Compared } from "./Compared";
import { PressSheet } from "./PressSheet";
import { SaveList } from "./SaveList";
import { ToneFindings } from "./SoundFindings";

/** Banks and presses: where each sound is saved, what the foot does at which word, and what else it could be. */
export const BanksPage = () => <SoundsPage>{Banks}</SoundsPage>;

function Banks({ player }: { player: Player }) {
  const tones = useTones(player);
  const isBanks = tones.song.box.kind === "banks";
  if (!tones.shown && tones.search.isOld)
    return (
      <Waiting>
        <SearchNote search={tones.search} doing="The banks are being planned…" />
      </Waiting>
    );
  return (
    <>
      <ToneNotes tones={tones} />
      {isBanks && <BanksBoard tones={tones} />}
      <PressSheet tones={tones} />
      <ToneFindings tones={tones} />
      {isBanks && <SaveList tones={tones} />}
      <Compared tones={tones} />
    </>
  );
}
