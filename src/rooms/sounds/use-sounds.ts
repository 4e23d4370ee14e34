"use client";

import { useMemo } from "react";
import { capital } from "@/base";
import type { Judged } from "@/core/findings";
import type { Player, VersionBody } from "@/core/song/schema";
import {
  describeSongToneProblem,
  describeToneProblem,
  type SongTones,
  songPedals,
  TONE_FIXING,
  type ToneFinding,
  type TonePlan,
  type TonePress,
  toneFindings,
  tonePresses,
} from "@/core/sounds";
import { type Answered, useEngine } from "@/engines/window";
import { derive, useFindings, useWholeVersionLater } from "../open";
import { playersWithSounds } from "./SoundsPlayer";

/** A plan with the song it was made for. */
export type ShownTones = {
  readonly song: SongTones;
  readonly plan: TonePlan;
  readonly presses: readonly TonePress[];
};

export type Tones = {
  readonly body: VersionBody;
  /** The song as it is now. */
  readonly song: SongTones;
  /** The last good plan, or null before there is one. */
  readonly shown: ShownTones | null;
  /** Why there is no plan for what is asked now, with the way out. */
  readonly problem: string | null;
  readonly notes: readonly string[];
  /** Whether the plan is of the song as it was, or could not be worked out. */
  readonly search: Pick<Answered<"tones">, "isOld" | "error" | "retry">;
};

/** One player's sounds through the open version, planned in the worker. */
export function useTones(player: Player): Tones {
  const body = useWholeVersionLater();
  const song = derive.tones(body, player);
  const { data, beside, problem, ...search } = useEngine("tones", song.asked, song);
  const shown = useMemo((): ShownTones | null => {
    if (!beside || !data) return null;
    const presses = beside.box.kind === "pedals" ? songPedals(beside).presses : tonePresses(beside, data);
    return { song: beside, plan: data, presses };
  }, [data, beside]);
  return {
    body,
    song,
    shown,
    problem: problem && `${capital(describeToneProblem(problem))}.`,
    notes: song.problems.map((one) => describeSongToneProblem(one, song.box)),
    search,
  };
}

/** What is found in a player's sounds; what was let stand apart. */
export function useToneFindings({ shown, song }: Tones): Judged<ToneFinding> {
  const findings = useMemo(() => toneFindings(shown?.song ?? song, shown?.plan ?? null), [shown, song]);
  return useFindings(findings, TONE_FIXING);
}

/**
 * How far the Sounds room is, for the rail, without asking for a plan: nothing named, something left to describe or to
 * look at, or done.
 */
export function soundsLit(body: VersionBody): "dark" | "half" | "lit" {
  const songs = [...playersWithSounds(body)]
    .flatMap((id) => body.players[id] ?? [])
    .map((player) => derive.tones(body, player))
    .filter(({ asked }) => asked !== null);
  if (songs.length === 0) return Object.keys(body.sounds).length > 0 ? "half" : "dark";
  const stand = new Set(Object.values(body.dismissals).map((one) => one.finding));
  const isOpen = songs.some(
    (song) => song.problems.length > 0 || toneFindings(song, null).some(({ id }) => !stand.has(id)),
  );
  return isOpen ? "half" : "lit";
}
