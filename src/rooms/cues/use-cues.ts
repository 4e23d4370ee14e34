"use client";

import { useMemo } from "react";
import { type Cue, cuesOf, type Planned } from "@/core/cues";
import type { VersionBody } from "@/core/song/schema";
import { songPedals, tonePresses } from "@/core/sounds";
import { useEngines } from "@/engines/window";
import { useLoops } from "../loops";
import { derive, useNames, useWholeVersionLater } from "../open";
import { playersWithSounds } from "../sounds";

/** Every cue of the open version, with what the plans of loops and sounds add as they become known. */
export function useCues(): { readonly body: VersionBody; readonly cues: readonly Cue[] } {
  const body = useWholeVersionLater();
  const names = useNames();
  const { shown: loops } = useLoops();
  const songs = useMemo(
    () =>
      [...playersWithSounds(body)]
        .flatMap((id) => body.players[id] ?? [])
        .map((one) => derive.tones(body, one)),
    [body],
  );
  const banked = songs.filter(({ box }) => box.kind === "banks");
  const { known } = useEngines(
    "tones",
    new Map(banked.flatMap(({ player, asked }) => (asked ? [[player.id, asked] as const] : []))),
    new Map(banked.map((song) => [song.player.id, song])),
  );
  return useMemo(() => {
    const tones: Planned["tones"] = new Map(
      songs.map((song) => {
        const plan = known.get(song.player.id);
        // A plan of the song as it was says nothing of it now.
        const isCurrent = plan !== undefined && plan.beside === song;
        const presses =
          song.box.kind === "pedals"
            ? songPedals(song).presses
            : isCurrent
              ? tonePresses(song, plan.answer)
              : [];
        return [song.player.id, { song, presses }];
      }),
    );
    const planned: Planned = { loops: loops?.presses ?? [], tones };
    return {
      body,
      cues: cuesOf(body, derive.sheet(body), derive.timeline(body), planned, (shift) => names(null, shift)),
    };
  }, [body, songs, known, loops, names]);
}
