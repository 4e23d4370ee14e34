"use client";

import { type ReactNode, useState } from "react";
import { addLayer, describeNeeds, followSheet, layerOfPart, type SongLoops, setLayer } from "@/core/loops";
import { derive, makeId, useAct, useCurrentVersion, useDerived } from "../../open";
import { SOUND_WORDS } from "../loop-words";
import type { Loops } from "../use-loops";
import { AddLayer } from "./AddLayer";
import { LayerPane } from "./LayerPane";

/** The layers as a list; one is opened below it. */
export function LayerList({ loops }: { loops: Loops }) {
  const { song } = loops;
  const [open, setOpen] = useState<string | null>(null);
  const opened = song.layers.find(({ id }) => id === open);
  return (
    <section aria-labelledby="layers-title" className="mb-8">
      <h2 id="layers-title" className="mb-1">
        Layers
      </h2>
      {song.layers.length === 0 ? (
        <p className="mb-3 max-w-2xl rounded-box bg-base-200 p-4">
          Nothing goes round yet. Choose where it shall be heard, and add a layer with one touch: it comes
          with the chords of that section. Or take a part of the sheet. Tracks, foot presses and the build
          follow; where a layer is heard is drawn along the words.
        </p>
      ) : (
        <LayerTable loops={loops} open={open} onOpen={setOpen} />
      )}
      <ToFollow loops={loops} />
      {opened && (
        <LayerPane key={opened.id} layer={opened} barTicks={song.barTicks} onGone={() => setOpen(null)} />
      )}
      <AddLayer song={song} onAdded={setOpen} />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <FromSheet song={song} />
      </div>
    </section>
  );
}

const DIFFERS = {
  chords: "other chords",
  length: "another length",
  pattern: "another pattern",
  line: "another line",
};

/** Layers whose part or section is otherwise on the sheet now, each with the offer to follow it. */
function ToFollow({ loops: { song } }: { loops: Loops }) {
  const act = useAct();
  const sheet = useDerived(derive.sheet);
  const offers = song.layers.flatMap((layer) => {
    const followed = followSheet(sheet.rows, layer, song.barTicks);
    return followed ? [{ layer, followed }] : [];
  });
  return offers.length === 0 ? null : (
    <ul aria-label="Layers that are otherwise on the sheet now" className="mb-2">
      {offers.map(({ layer, followed: { fields, differs } }) => (
        <li key={layer.id} className="flex flex-wrap items-center gap-3">
          <span>
            The sheet has {differs.map((one) => DIFFERS[one]).join(", ")} now than{" "}
            <strong>{layer.name}</strong>.
          </span>
          <button type="button" className="btn btn-sm" onClick={() => act(setLayer(layer.id, fields))}>
            Let {layer.name} follow
          </button>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act(setLayer(layer.id, { fromSectionId: null, fromPlayerId: null }))}
          >
            Keep it as it is
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Takes a part of the sheet as a layer, with one act. */
function FromSheet({ song }: { song: SongLoops }): ReactNode {
  const act = useAct();
  const current = useCurrentVersion();
  const sheet = useDerived(derive.sheet);
  const first = sheet.rows.filter(
    (row, at) => sheet.rows.findIndex((other) => other.use.sectionId === row.use.sectionId) === at,
  );
  const parts = first.flatMap((row) =>
    row.parts.flatMap((part) => {
      const layer = layerOfPart(row, part, song.barTicks);
      return layer
        ? [
            {
              id: `${row.use.id} ${part.player.id}`,
              label: `${part.player.name} in ${row.label}`,
              row,
              layer,
            },
          ]
        : [];
    }),
  );
  if (parts.length === 0) return null;
  return (
    <label className="flex items-center gap-2 text-sm">
      Take from the sheet
      <select
        className="select select-sm w-52"
        value=""
        onChange={(event) => {
          const part = parts.find(({ id }) => id === event.target.value);
          if (part)
            act(addLayer(current(), part.layer, makeId, [{ useId: part.row.use.id, from: 0, to: null }]));
        }}
      >
        <option value="">choose a part</option>
        {parts.map(({ id, label }) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Every layer with how it sounds, what it takes, and the track it is on. */
function LayerTable({
  loops: { song, shown },
  open,
  onOpen,
}: {
  loops: Loops;
  open: string | null;
  onOpen: (layer: string | null) => void;
}) {
  const trackOf = new Map(
    shown?.plan.tracks.flatMap((ids, track) => ids.map((id) => [id, track] as const)) ?? [],
  );
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm mb-2 w-auto min-w-[40rem]">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Layer</th>
            <th scope="col">Played as</th>
            <th scope="col">Length</th>
            <th scope="col">Takes</th>
            <th scope="col">Peak</th>
            <th scope="col">Track</th>
          </tr>
        </thead>
        <tbody>
          {song.layers.map((layer) => (
            <tr key={layer.id} className={layer.id === open ? "bg-base-200" : ""}>
              <th scope="row">
                <button
                  type="button"
                  className="link font-bold"
                  aria-expanded={layer.id === open}
                  onClick={() => onOpen(layer.id === open ? null : layer.id)}
                >
                  {layer.name}
                </button>
              </th>
              <td>
                {SOUND_WORDS[layer.plays]}
                {layer.pitch === "damped" && ", damped"}
              </td>
              <td>{layer.bars === 1 ? "1 bar" : `${layer.bars} bars`}</td>
              <td>{describeNeeds(layer.needs)}</td>
              <td>{layer.level} dBFS</td>
              <td>
                {trackOf.has(layer.id) ? `track ${trackOf.get(layer.id)! + 1}` : "not yet"}
                {layer.track !== null && " (put there)"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
