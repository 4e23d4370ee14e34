import { useEffect, useEffectEvent } from "react";
import { keyAct } from "@/ui/keys";
import { type Rehearsal, stretchOf } from "./rehearsal";
import { wayOf } from "./settings";

/** Fields that take signs; a tick takes only Space. */
const takesSigns = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ["TEXTAREA", "SELECT"].includes(target.tagName) ||
    (target instanceof HTMLInputElement && target.type !== "checkbox"));

/** What Space presses by itself. */
const isPressed = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest("button, a, summary, input, select") !== null;

/** The keys of the room, while it is open. @param reader whose part is mine
 * @param mark marks the bar that sounds */
export function useRehearseKeys(rehearsal: Rehearsal, reader: string | null, mark: () => void): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const act = keyAct("rehearse", event);
    if (act === null || takesSigns(event.target) || document.querySelector("dialog[open]")) return;
    if (event.key === " " && isPressed(event.target)) return;
    event.preventDefault();
    const { song, way } = rehearsal.store.getState();
    if (!song) return;
    const { first, last, bars: total } = stretchOf(song, way);
    const stretch = (from: number, to: number) => {
      if (from >= 0 && to <= total && from < to) rehearsal.change({ stretch: { from, to } });
    };
    switch (act) {
      case "play":
        return void rehearsal.toggle();
      case "slower":
        return rehearsal.faster(-5);
      case "faster":
        return rehearsal.faster(5);
      case "tap":
        return rehearsal.tap(song.passages[0]!.bpm);
      case "circle":
        return rehearsal.change({ circles: !way.circles });
      case "whole":
        return rehearsal.change({ stretch: null });
      case "earlier":
        return stretch(first - 1, last);
      case "later":
        return stretch(first + 1, last);
      case "shorter":
        return stretch(first, last - 1);
      case "longer":
        return stretch(first, last + 1);
      case "here": {
        const place = rehearsal.place();
        if (!place) return;
        const before = song.passages.slice(0, place.passage).reduce((sum, { bars }) => sum + bars.length, 0);
        const bar = place.bar - song.passages[place.passage]!.firstBar;
        return stretch(before + Math.max(0, bar), Math.max(last, before + bar + 1));
      }
      case "mark":
        return mark();
      case "alone":
        return reader === null
          ? undefined
          : rehearsal.changePart(reader, { alone: !wayOf(way, reader).alone, on: true });
      case "all-but-me":
        return reader === null ? undefined : rehearsal.allBut(rehearsal.isAllBut(reader) ? null : reader);
      case "everybody":
        return rehearsal.allBut(null);
      case "heard": {
        const part = song.parts[Number(event.key) - 1];
        if (!part) return;
        return rehearsal.changePart(part.player.id, { on: !wayOf(way, part.player.id).on, alone: false });
      }
    }
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
}
