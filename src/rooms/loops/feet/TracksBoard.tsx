"use client";

import { type LoopWay, setLayer } from "@/core/loops";
import { batch, set } from "@/core/song/edit";
import type { LoopLayerRow } from "@/core/song/schema";
import { DragBoard, useDragged, useDropPlace } from "@/ui/DragBoard";
import { SearchNote } from "@/ui/SearchNote";
import { useAct } from "../../open";
import { describeWrong } from "../loop-words";
import type { Loops } from "../use-loops";

/** The plan's tracks; a layer dragged to another track stays there, and the rest is planned around it. */
export function TracksBoard({
  loops,
  free,
}: {
  loops: Loops;
  free: Pick<LoopWay, "wrongBars" | "footCost"> | null;
}) {
  const act = useAct();
  const { shown, song } = loops;
  if (!shown) return null;
  const { plan } = shown;
  const put = (layer: string, track: number | null) => act(setLayer(layer, { track }));
  const byId = new Map(song.layers.map((layer) => [layer.id, layer]));
  const pinned = song.layers.filter(({ track }) => track !== null);
  const leaveAll = () => {
    const left = pinned.map(({ id }) => set("loopLayers", id, { track: null }));
    act(batch("Leave layers to the plan", left));
  };
  return (
    <section aria-labelledby="tracks-title" className="mb-8">
      <h2 id="tracks-title" className="mb-1">
        Tracks
      </h2>
      <DragBoard
        what="layer"
        place="track"
        nameOf={(layer) => byId.get(layer)?.name ?? "the layer"}
        placeOf={(track) => `track ${Number(track) + 1}`}
        onDrop={(layer, track) => {
          if (!plan.tracks[Number(track)]?.includes(layer)) put(layer, Number(track));
        }}
      >
        <ol className="flex flex-wrap gap-3">
          {plan.tracks.map((ids, track) => (
            <Track key={track} track={track}>
              {ids.length === 0 && <li className="text-sm">unused</li>}
              {ids.map((layerId) => {
                const layer = byId.get(layerId);
                return (
                  layer && (
                    <LayerTag
                      key={layerId}
                      layer={layer}
                      tracks={plan.tracks.length}
                      onPut={(to) => put(layerId, to)}
                    />
                  )
                );
              })}
            </Track>
          ))}
        </ol>
      </DragBoard>
      <p className="mt-2 text-sm" aria-live="polite">
        <strong>
          {describeWrong(plan.wrongBars)}, foot cost {plan.footCost}
        </strong>{" "}
        (a press counts 1, a late stop 4, a late start 9).{" "}
        {pinned.length > 0 && free && (
          <>
            {free.wrongBars === plan.wrongBars && free.footCost === plan.footCost
              ? "Where you put layers costs nothing: the plan could do no better by itself."
              : `Left to the plan it would be ${describeWrong(free.wrongBars)}, foot cost ${free.footCost}.`}{" "}
            <button type="button" className="link" onClick={leaveAll}>
              Leave every layer to the plan
            </button>
          </>
        )}
        {!plan.exact && " This is the best plan found; there may be a better one."}
        <SearchNote search={loops.search} doing="Being worked out anew…" />
      </p>
    </section>
  );
}

function Track({ track, children }: { track: number; children: React.ReactNode }) {
  const { setNodeRef, isOver } = useDropPlace(String(track));
  return (
    <li
      ref={setNodeRef}
      className={`min-h-24 w-56 rounded-box border-2 border-dashed p-2 ${isOver ? "border-base-content bg-base-200" : "border-base-content/40"}`}
    >
      <h3 className="mb-1 text-sm font-bold">Track {track + 1}</h3>
      <ul className="flex flex-col gap-2">{children}</ul>
    </li>
  );
}

function LayerTag({
  layer,
  tracks,
  onPut,
}: {
  layer: LoopLayerRow;
  tracks: number;
  onPut: (track: number | null) => void;
}) {
  const { setNodeRef, style, isDragging, handle } = useDragged(
    layer.id,
    `Drag ${layer.name} to another track`,
  );
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`rounded-field bg-base-200 p-2 ${isDragging ? "relative z-10 shadow-lg" : ""}`}
    >
      <span className="flex items-center gap-1">
        {handle}
        <span className="min-w-0 flex-1 truncate font-bold">{layer.name}</span>
        <span className="text-sm whitespace-nowrap">{layer.bars === 1 ? "1 bar" : `${layer.bars} bars`}</span>
      </span>
      <label className="mt-1 flex items-center gap-1 text-sm">
        <span className="sr-only">Where {layer.name} goes</span>
        <select
          className="select select-xs w-full"
          value={layer.track ?? ""}
          onChange={(event) => onPut(event.target.value === "" ? null : Number(event.target.value))}
        >
          <option value="">as the plan has it</option>
          {Array.from({ length: tracks }, (_, track) => (
            <option key={track} value={track}>
              put on track {track + 1}
            </option>
          ))}
        </select>
      </label>
    </li>
  );
}
