import { type RefObject, useMemo } from "react";
import { useNames } from "../../open";
import type { ShownPlan } from "../use-loops";
import { Rope } from "./Rope";
import { marksOf } from "./rope-marks";

/**
 * The tracks of the box, each with what it holds and its rope.
 * @param holds the layers on each track; null where nothing is recorded yet
 * @param ropes is filled with the ropes' elements, by track, for the burning is drawn outside React
 */
export function TrackRopes({
  shown,
  holds,
  sounding,
  records,
  nameOf,
  ropes,
}: {
  shown: ShownPlan;
  holds: readonly (readonly string[])[] | null;
  sounding: readonly number[];
  /** The track that is being recorded. */
  records: number | null;
  nameOf: (layer: string) => string;
  ropes: RefObject<(HTMLDivElement | null)[]>;
}) {
  const { plan } = shown;
  const names = useNames();
  const marks = useMemo(
    () => plan.tracks.map((ids) => marksOf(shown, ids, (symbol) => names().readSounding(symbol))),
    [plan, shown, names],
  );
  return (
    <ol className="mb-4 flex flex-col gap-2" aria-label="Tracks">
      {plan.tracks.map((_, track) => {
        const held = holds?.[track] ?? [];
        return (
          <li key={track} className="grid grid-cols-[9rem_1fr] items-center gap-3 max-sm:grid-cols-1">
            <span className="text-sm">
              <strong>Track {track + 1}</strong>{" "}
              {records === track ? "records" : sounding.includes(track) ? "sounds" : "silent"}
              <span className="block truncate">
                {held.length === 0 ? "empty" : held.map(nameOf).join(", ")}
              </span>
            </span>
            <Rope
              ref={(element) => {
                ropes.current[track] = element;
              }}
              marks={marks[track]!}
            />
          </li>
        );
      })}
    </ol>
  );
}
