"use client";

import { setBox } from "@/core/loops";
import type { LoopBox } from "@/core/song/schema";
import { makeId, useAct, useCurrentVersion } from "../../open";
import type { Loops } from "../use-loops";

/** What a pedal can do, in words. */
function pedalActs(tracks: number, box: LoopBox): { value: string; label: string }[] {
  const each = Array.from({ length: tracks }, (_, track) => track);
  return [
    { value: "none", label: "nothing" },
    ...each.map((track) => ({ value: `track-${track}`, label: `track ${track + 1} in or out` })),
    ...each.map((track) => ({ value: `start-${track}`, label: `track ${track + 1} only in` })),
    ...each.map((track) => ({ value: `stop-${track}`, label: `track ${track + 1} only out` })),
    ...each.map((track) => ({ value: `overdub-${track}`, label: `one more layer on track ${track + 1}` })),
    ...(box.toggleAll ? [{ value: "toggle-all", label: "all out, or all in from silence" }] : []),
    ...(box.allStart && !box.toggleAll ? [{ value: "start-all", label: "all in" }] : []),
    ...(box.allStop ? [{ value: "stop-all", label: "all out" }] : []),
    ...(box.undoLast ? [{ value: "undo", label: "take the last layer back" }] : []),
  ];
}

/** The looper's box and what can be changed of it. */
export function useBox({ song }: Loops) {
  const act = useAct();
  const current = useCurrentVersion();
  const { box } = song;
  const change = (fields: Partial<Omit<LoopBox, "id">>) => act(setBox(current(), fields, makeId));
  const setPedal = (at: number, fields: Partial<LoopBox["pedals"][number]>) =>
    change({ pedals: box.pedals.map((pedal, index) => (index === at ? { ...pedal, ...fields } : pedal)) });
  const removePedal = (at: number) => change({ pedals: box.pedals.filter((_, index) => index !== at) });
  const addPedal = () => {
    const name = `Pedal ${box.pedals.length + 1}`;
    change({ pedals: [...box.pedals, { name, press: "none", double: "none", hold: "none" }] });
  };
  return { box, acts: pedalActs(box.tracks, box), change, setPedal, removePedal, addPedal };
}

export type BoxModel = ReturnType<typeof useBox>;
