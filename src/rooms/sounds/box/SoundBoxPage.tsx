"use client";

import type { Player } from "@/core/song/schema";
import { setSoundBox } from "@/core/sounds";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { Hearing } from "../Hearing";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { useTones } from "../use-sounds";
import { BoxMidi } from "./BoxMidi";
import type { ChangeBox } from "./change-box";
import { BoxFields } from "./SoundBoxFields";
import { WithBand } from "./WithBand";

/** The box on the floor: what it can do, its MIDI numbers, and the band's own box. */
export const BoxPage = () => <SoundsPage>{Box}</SoundsPage>;

function Box({ player }: { player: Player }) {
  const tones = useTones(player);
  const act = useAct();
  const current = useCurrentVersion();
  const { box } = tones.song;
  const change: ChangeBox = (fields) => act(setSoundBox(current(), player.id, fields, makeId));
  return (
    <>
      <ToneNotes tones={tones} />
      <section aria-labelledby="sound-box-title" className="mb-8">
        <h2 id="sound-box-title" className="mb-2">
          {player.name}’s box
        </h2>
        <BoxFields box={box} change={change} />
        <BoxMidi box={box} onChange={change} />
      </section>
      <WithBand tones={tones} onChange={change} />
      <Hearing />
    </>
  );
}
