"use client";

import type { KeyboardEvent, RefObject } from "react";
import type { Want } from "@/core/loops";
import { type KeyAct, keyAct } from "@/ui/keys";
import type { StrandPlace, Strands } from "./use-strands";

/**
 * The keys of the strands.
 * @param box what holds the strands' buttons
 * @param tool what a drag does, and Enter again
 */
export function useStrandKeys(
  { spans, layers, units, stroke }: Strands,
  box: RefObject<HTMLElement | null>,
  place: StrandPlace | null,
  setPlace: (place: StrandPlace) => void,
  tool: Want,
): (event: KeyboardEvent) => void {
  const go = (next: StrandPlace) => {
    setPlace(next);
    const id = `${layers[next.layer]!.id} ${units[next.use]![next.to]!.from}`;
    const block = box.current?.querySelectorAll<HTMLElement>("[data-use]")[next.use];
    block?.querySelector<HTMLElement>(`[data-strand="${id}"]`)?.focus();
  };
  /** The selection when the focus is at its end, else the strand in focus alone. */
  const placeOf = (target: HTMLElement): StrandPlace => {
    const block = target.closest<HTMLElement>("[data-use]");
    const use = Math.max(
      0,
      spans.findIndex((span) => span.use.id === block?.dataset.use),
    );
    const layer = Math.max(
      0,
      layers.findIndex(({ id }) => target.dataset.strand?.startsWith(`${id} `)),
    );
    const at = Number(target.dataset.unit);
    return place?.use === use && place.layer === layer && place.to === at
      ? place
      : { use, anchor: layer, layer, from: at, to: at };
  };
  const move = (here: StrandPlace, to: number) => {
    const anchor = here.layer;
    if (to >= 0 && to < units[here.use]!.length) return go({ ...here, anchor, from: to, to });
    const use = here.use + Math.sign(to - here.to);
    if (!units[use]) return;
    const at = to < 0 ? units[use].length - 1 : 0;
    go({ ...here, use, anchor, from: at, to: at });
  };
  const down = (here: StrandPlace, by: number) => {
    const layer = here.layer + by;
    const use = here.use + by;
    if (layers[layer]) go({ ...here, anchor: layer, layer });
    else if (units[use]) {
      const at = Math.min(here.to, units[use].length - 1);
      const next = by > 0 ? 0 : layers.length - 1;
      go({ use, anchor: next, layer: next, from: at, to: at });
    }
  };
  const takeStrands = (here: StrandPlace, by: number) => {
    if (layers[here.layer + by]) go({ ...here, layer: here.layer + by });
  };
  const take = (here: StrandPlace, to: number) => {
    if (to >= 0 && to < units[here.use]!.length) go({ ...here, to });
  };
  const draw = (here: StrandPlace, want: Want) => {
    setPlace(here);
    stroke(here, want);
  };
  const acts: Readonly<Record<KeyAct<"ropes">, (here: StrandPlace, last: number, key: string) => void>> = {
    right: (here) => move(here, here.to + 1),
    left: (here) => move(here, here.to - 1),
    down: (here) => down(here, 1),
    up: (here) => down(here, -1),
    first: (here) => go({ ...here, anchor: here.layer, from: 0, to: 0 }),
    last: (here, last) => go({ ...here, anchor: here.layer, from: last, to: last }),
    more: (here, last, key) =>
      take(here, key === "Home" ? 0 : key === "End" ? last : here.to + (key === "ArrowRight" ? 1 : -1)),
    strands: (here, _last, key) => takeStrands(here, key === "ArrowDown" ? 1 : -1),
    all: (here, last) => go({ ...here, from: 0, to: last }),
    on: (here) => draw(here, "on"),
    off: (here) => draw(here, "off"),
    either: (here) => draw(here, "either"),
    again: (here) => stroke(here, tool),
  };
  return (event) => {
    const target = (event.target as HTMLElement).closest<HTMLElement>("[data-strand]");
    const pressed = target && keyAct("ropes", event);
    if (!pressed) return;
    event.preventDefault();
    const here = placeOf(target);
    acts[pressed](here, units[here.use]!.length - 1, event.key);
  };
}
