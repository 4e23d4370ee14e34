"use client";

import type { Player } from "@/core/song/schema";
import { SearchNote } from "@/ui/SearchNote";
import { Waiting } from "@/ui/Waiting";
import { Hearing } from "../Hearing";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { useTones } from "../use-sounds";
import { SimulatedTones } from "./SimulatedSounds";

/** Play it: the stand-in for the box on the floor, shown or by own feet. */
export const PlayPage = () => <SoundsPage>{Play}</SoundsPage>;

function Play({ player }: { player: Player }) {
  const tones = useTones(player);
  return (
    <>
      <ToneNotes tones={tones} />
      {tones.shown ? (
        <SimulatedTones tones={tones} shown={tones.shown} />
      ) : (
        !tones.problem &&
        tones.song.asked && (
          <Waiting>
            <SearchNote search={tones.search} doing="The banks are being planned…" />
          </Waiting>
        )
      )}
      <Hearing />
    </>
  );
}
