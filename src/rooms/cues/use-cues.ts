"use client";

import { useEffect, useMemo, useState } from "react";
import { type Cue, cuesOf, type Planned } from "@/core/cues";
import type { VersionBody } from "@/core/song/schema";
import { type SongTones, songPedals, type ToneCase, type TonePlan, tonePresses } from "@/core/tones";
import { tonePlanOf } from "@/workers";
import { useLoops } from "../loops";
import { derive, useWholeVersionLater } from "../open";
import { playersWithSounds } from "../sounds";

/** Plans of everybody's sounds, as they become known. */
function useTonePlans(songs: readonly SongTones[]): ReadonlyMap<ToneCase, TonePlan> {
  const [plans, setPlans] = useState<ReadonlyMap<ToneCase, TonePlan>>(new Map());
  useEffect(() => {
    let isCurrent = true;
    const asked = songs.flatMap((song) => (song.asked && song.box.kind === "banks" ? [song.asked] : []));
    void Promise.all(asked.map(tonePlanOf)).then((found) => {
      if (!isCurrent) return;
      setPlans(
        new Map(asked.flatMap((one, at) => (found[at]!.ok ? [[one, found[at]!.value] as const] : []))),
      );
    });
    return () => {
      isCurrent = false;
    };
  }, [songs]);
  return plans;
}

/** Every cue of the open version, with what the plans of loops and sounds add as they become known. */
export function useCues(): { readonly body: VersionBody; readonly cues: readonly Cue[] } {
  const body = useWholeVersionLater();
  const { shown: loops } = useLoops();
  const songs = useMemo(
    () =>
      [...playersWithSounds(body)]
        .flatMap((id) => body.players[id] ?? [])
        .map((one) => derive.tones(body, one)),
    [body],
  );
  const plans = useTonePlans(songs);
  return useMemo(() => {
    const tones: Planned["tones"] = new Map(
      songs.map((song) => {
        const plan = song.asked ? plans.get(song.asked) : undefined;
        const presses =
          song.box.kind === "pedals" ? songPedals(song).presses : plan ? tonePresses(song, plan) : [];
        return [song.player.id, { song, presses }];
      }),
    );
    const planned: Planned = { loops: loops?.presses ?? [], tones };
    return { body, cues: cuesOf(body, derive.sheet(body), derive.timeline(body), planned) };
  }, [body, songs, plans, loops]);
}
