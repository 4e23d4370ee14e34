"use client";

import { bandEdits } from "@/core/song/edit";
import type { BandBody, Player, SoundBox } from "@/core/song/schema";
import { makeId, useActOnBand, useBand } from "../../open";
import type { Tones } from "../use-sounds";
import type { ChangeBox } from "./change-box";

/** The fields of a box that travel between band and version. */
function boxFields({ id: _id, order: _order, playerId: _player, ...fields }: SoundBox) {
  return fields;
}

/** The box this player has in the band, for all songs. */
function bandBox(band: BandBody | null, player: Player): SoundBox | null {
  if (!band || player.bandPlayerId === null) return null;
  return Object.values(band.soundBoxes).find((box) => box.playerId === player.bandPlayerId) ?? null;
}

/** Keeps the box with the band, or takes the band's: gear belongs to the band, a version has a copy. */
export function WithBand({ tones, onChange }: { tones: Tones; onChange: ChangeBox }) {
  const band = useBand();
  const act = useActOnBand();
  const { box, player } = tones.song;
  const { bandPlayerId } = player;
  if (!band || bandPlayerId === null || !band.players[bandPlayerId]) return null;
  const kept = bandBox(band, player);
  const isSame = kept !== null && JSON.stringify(boxFields(kept)) === JSON.stringify(boxFields(box));
  const keep = () => {
    const fields = boxFields(box);
    act(
      kept
        ? bandEdits.set("soundBoxes", kept.id, fields)
        : bandEdits.add("soundBoxes", { ...fields, id: makeId(), order: "V", playerId: bandPlayerId }),
    );
  };
  return (
    <section aria-labelledby="band-box" className="mb-8">
      <h2 id="band-box" className="mb-1">
        With the band
      </h2>
      <p className="mb-2 text-sm">
        {kept === null
          ? `The band keeps no box for ${player.name} yet. Kept there, other songs can take it.`
          : isSame
            ? "This is the box the band keeps."
            : `The band keeps “${kept.name}”, which is set otherwise.`}
      </p>
      <p className="flex flex-wrap gap-2">
        {!isSame && (
          <button type="button" className="btn btn-sm" onClick={keep}>
            Keep this box with the band
          </button>
        )}
        {kept !== null && !isSame && (
          <button type="button" className="btn btn-sm" onClick={() => onChange(boxFields(kept))}>
            Take the band’s box
          </button>
        )}
      </p>
    </section>
  );
}
