"use client";

import { useMemo } from "react";
import { capital } from "@/base";
import type { Player, VersionBody } from "@/core/song/schema";
import {
  type SongTones,
  saySongToneProblem,
  sayToneProblem,
  songPedals,
  type ToneCase,
  type ToneFinding,
  type TonePlan,
  type TonePress,
  toneFindings,
  tonePresses,
} from "@/core/tones";
import { useTonePlan } from "@/workers";
import { derive, useWholeVersionLater } from "../open";
import { playersWithSounds } from "./SoundsPlayer";

/**
 * Which reading of the song a case was made from, the last one of those that ask the same: a plan is shown with the song
 * it was made for.
 */
const songOf = new WeakMap<ToneCase, SongTones>();

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
  readonly isOld: boolean;
};

/** One player's sounds through the open version, planned in the worker. */
export function useTones(player: Player): Tones {
  const body = useWholeVersionLater();
  const song = derive.tones(body, player);
  if (song.asked) songOf.set(song.asked, song);
  const { known, problem, isOld } = useTonePlan(song.asked);
  const own = known ? songOf.get(known.asked) : undefined;
  const shown = useMemo((): ShownTones | null => {
    if (!own || !known) return null;
    const presses = own.box.kind === "pedals" ? songPedals(own).presses : tonePresses(own, known.plan);
    return { song: own, plan: known.plan, presses };
  }, [known, own]);
  return {
    body,
    song,
    shown,
    problem: problem && `${capital(sayToneProblem(problem))}.`,
    notes: song.problems.map((one) => saySongToneProblem(one, song.box)),
    isOld,
  };
}

/** What is found in a player's sounds; what was let stand apart. */
export function useToneFindings(tones: Tones): {
  readonly open: readonly ToneFinding[];
  readonly stand: readonly { readonly finding: ToneFinding; readonly id: string; readonly reason: string }[];
} {
  const { shown, song, body } = tones;
  return useMemo(() => {
    const all = toneFindings(shown?.song ?? song, shown?.plan ?? null);
    const stand = new Map(Object.values(body.dismissals).map((one) => [one.finding, one]));
    return {
      open: all.filter(({ id }) => !stand.has(id)),
      stand: all.flatMap((finding) => {
        const row = stand.get(finding.id);
        return row ? [{ finding, id: row.id, reason: row.reason }] : [];
      }),
    };
  }, [shown, song, body.dismissals]);
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
