"use client";

import { useState } from "react";
import { addLayer, layerOfKind, type SongLoops, TOUCH_LAYERS, type TouchLayer } from "@/core/loops";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion, useDerived } from "../../open";

const WORDS: Readonly<Record<TouchLayer, string>> = {
  "bass line": "a bass line",
  chords: "chords",
  strum: "a strum",
  riff: "a riff",
  "mouth beat": "a mouth beat",
  clap: "a clap",
  thump: "a thump",
  voice: "a voice",
};

const EVERYWHERE = "everywhere";

/** Layers added with one touch: each kind with fitting chords, length and hands, wanted where it is added for. */
export function AddLayer({ song, onAdded }: { song: SongLoops; onAdded: (layer: string | null) => void }) {
  const act = useAct();
  const current = useCurrentVersion();
  const sheet = useDerived(derive.sheet);
  const first = sheet.rows.filter(
    (row, at) => sheet.rows.findIndex((other) => other.use.sectionId === row.use.sectionId) === at,
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const usesOf = (sectionId: string) => sheet.rows.filter(({ use }) => use.sectionId === sectionId).length;
  const usual = first.toSorted((a, b) => usesOf(b.use.sectionId) - usesOf(a.use.sectionId))[0];
  const place = chosen ?? usual?.use.id ?? EVERYWHERE;
  const add = (kind: TouchLayer) => {
    const rows = place === EVERYWHERE ? first : first.filter(({ use }) => use.id === place);
    const layer = layerOfKind(current(), kind, rows[0] ?? null, song.barTicks);
    const wants = rows.map(({ use }) => ({ useId: use.id, from: 0, to: null }));
    act(addLayer(current(), layer, makeId, wants));
    onAdded(null);
  };
  return (
    <fieldset className="mt-3 flex flex-wrap items-end gap-2">
      <legend className="sr-only">Add a layer</legend>
      <SelectField
        label="Heard in"
        className="w-44"
        value={place}
        options={[
          ...first.map(({ use, section }) => ({
            value: use.id,
            label: `every ${section.label || "section"}`,
          })),
          { value: EVERYWHERE, label: "the whole song" },
        ]}
        onSet={setChosen}
      />
      {TOUCH_LAYERS.map((kind) => (
        <button key={kind} type="button" className="btn btn-sm" onClick={() => add(kind)}>
          Add {WORDS[kind]}
        </button>
      ))}
    </fieldset>
  );
}
