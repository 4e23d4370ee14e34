"use client";

import { type KeyboardEvent, useState } from "react";
import { type BeatUnit, type Meter, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { markChord, nameChord } from "@/core/song/edit";
import type { ExceptionKind } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { derive, makeId, useAct, useCurrentVersion } from "../../open";
import type { HomeChoice } from "./homes";

/** What can be done with a chord, by its key. */
export const MARK_ACTS = Object.freeze({
  early: { kind: "push", words: "Early", long: "half a beat early" },
  late: { kind: "late", words: "Late", long: "half a beat late" },
  hold: { kind: "hold", words: "Hold", long: "held for a bar" },
  choke: { kind: "choke", words: "Choke", long: "choked" },
  hit: { kind: "hit", words: "Hit, then silence", long: "struck once, then silence" },
  stop: { kind: "stop", words: "Stop", long: "silent for its last beat" },
} as const satisfies Partial<Record<KeyAct<"chord">, { kind: ExceptionKind; words: string; long: string }>>);

export type MarkAct = keyof typeof MARK_ACTS;

/** How long each mark is at first, in ticks. Ours, no source: half a beat early and late, a bar's hold, a beat of silence. */
export function usualTicks(kind: ExceptionKind, meter: Meter, beatUnit: BeatUnit): number {
  const beat = ticksOfBeatUnit(beatUnit) ?? 960;
  if (kind === "hold") return ticksOfBar(meter);
  if (kind === "ending") return ticksOfBar(meter) * 2;
  if (kind === "push" || kind === "late" || kind === "choke") return beat / 2;
  return kind === "hit" || kind === "stop" ? beat : 0;
}

export type Marks = ReturnType<typeof useMarks>;

/**
 * The chord that is marked in some lines, where its marks are to hold, and what keys do with it.
 * @param homes where they may hold, the usual one first
 */
export function useMarks(homes: readonly HomeChoice[], meter: Meter, beatUnit: BeatUnit) {
  const act = useAct();
  const current = useCurrentVersion();
  const [chordId, setChordId] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const { value, home } = homes.find((one) => one.value === chosen) ?? homes[0]!;
  const press = (id: string, what: MarkAct) => {
    const body = current();
    const { kind } = MARK_ACTS[what];
    const ticks = usualTicks(kind, meter, beatUnit);
    act(markChord(body, derive.outline(body), home, id, kind, { ticks }, makeId));
  };
  const rename = (id: string, symbol: string) =>
    act(nameChord(current(), derive.outline(current()), home, id, symbol, makeId));
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, id: string) => {
    const pressed = keyAct("chord", event);
    if (!pressed) return;
    event.preventDefault();
    event.stopPropagation();
    if (pressed === "leave") setChordId(null);
    else if (pressed === "left" || pressed === "right")
      goTo(event.currentTarget, pressed === "left" ? -1 : 1);
    else {
      setChordId(id);
      press(id, pressed);
    }
  };
  return { chordId, setChordId, homes, value, setValue: setChosen, press, rename, onKeyDown };
}

/** Moves from a chord to the one before or after it on the sheet. */
function goTo(from: HTMLElement, by: number): void {
  const all = [...(from.closest("[data-marks]")?.querySelectorAll<HTMLElement>("[data-chord]") ?? [])];
  all[all.indexOf(from) + by]?.focus();
}
