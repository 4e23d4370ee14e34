"use client";

import { useMemo } from "react";
import type { ListedVersion } from "@/api";
import { bestOrder, orderCase, reorderSongs, type SongEdges, secondsOf } from "@/core/evenings";
import type { EveningItem } from "@/core/song/schema";
import { useActOnEvening } from "../open";

/** The order with the least change-over, and what the present one costs against it. */
export function BestOrderPanel({
  items,
  edgesOf,
  known,
}: {
  items: readonly EveningItem[];
  edgesOf: (item: EveningItem) => SongEdges | null;
  known: ReadonlyMap<string, ListedVersion>;
}) {
  const act = useActOnEvening();
  const songs = items.filter(({ kind }) => kind === "song");
  const { asked, best } = useMemo(() => {
    const question = orderCase(items, edgesOf);
    return { asked: question, best: bestOrder(question) };
  }, [items, edgesOf]);
  if (songs.length < 2) return null;
  const present = songs.map((_, at) => at);
  const now = secondsOf(asked, present);
  const isSame = best?.order.every((song, at) => song === at) ?? false;
  return (
    <section aria-label="Best order" className="rounded-box bg-base-200 p-4">
      <h2 className="mb-2">Best order</h2>
      {best === null ? (
        <p>
          No order keeps every pin: two songs open, two come last, or each should come before the other. Take
          one of them out.
        </p>
      ) : isSame ? (
        <p>The present order has {now} s of change-over, and no order that keeps the pins has less.</p>
      ) : (
        <>
          <p className="mb-2">
            The present order has <strong>{now} s</strong> of change-over; this one{" "}
            <strong>{best.seconds} s</strong>
            {best.exact ? "" : ", the best found"}:
          </p>
          <ol className="mb-3 list-inside list-decimal">
            {best.order.map((song) => (
              <li key={songs[song]!.id}>
                {known.get(songs[song]!.versionId ?? "")?.title ?? "a song that is gone"}
              </li>
            ))}
          </ol>
          <button type="button" className="btn btn-sm" onClick={() => act(reorderSongs(items, best.order))}>
            Take this order
          </button>
        </>
      )}
    </section>
  );
}
