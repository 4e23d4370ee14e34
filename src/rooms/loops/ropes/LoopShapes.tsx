"use client";

import { useMemo } from "react";
import { isHeld, looperPlayer, PLACE_FRETS, type setLayer } from "@/core/loops";
import { LOOP_PLACES, type LoopLayerRow, type LoopPlace } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { SelectField } from "@/ui/SelectField";
import { useNames, useRows } from "../../open";

const PLACE_WORDS: Readonly<Record<LoopPlace, string>> = Object.freeze({
  low: "low, with open strings",
  middle: "middle of the neck",
  high: "high",
});

const CHOICES = [
  { value: "", label: "as in the parts" },
  ...LOOP_PLACES.map((place) => ({
    value: place,
    label: `small: ${PLACE_WORDS[place]}, frets ${PLACE_FRETS[place].from} to ${PLACE_FRETS[place].to}`,
  })),
];

type Props = { layer: LoopLayerRow; change: (fields: Parameters<typeof setLayer>[1]) => void };

/** Where the chords of a layer are held, and the shapes that lie there: each keeps root and third. */
export function LoopShapes({ layer, change }: Props) {
  const { version, players, loopBoxes } = useRows("version", "players", "loopBoxes");
  const player = looperPlayer({ players, loopBoxes });
  const hasShapes = isHeld(layer) && layer.chords.length > 0;
  const asked = useMemo(
    () => (hasShapes && layer.voicing ? { body: { version, players, loopBoxes }, layer } : null),
    [hasShapes, layer, version, players, loopBoxes],
  );
  const { data } = useEngine("loop-voicings", asked);
  const namer = useNames()();
  if (!hasShapes || player?.instrument !== "guitar") return null;
  const shapes = asked ? (data ?? []) : [];
  const missing = shapes.filter(({ shape }) => !shape).map(({ symbol }) => namer.chord(symbol));
  return (
    <div className="mt-3 flex flex-col gap-2">
      <SelectField
        className="max-w-sm"
        label="Shapes"
        value={layer.voicing ?? ""}
        options={CHOICES}
        onSet={(value) => change({ voicing: (value || null) as LoopPlace | null })}
      />
      {shapes.length > 0 && (
        <>
          <p>
            Each sounds its root and its third: whatever is laid over the loop hears which chord it is.
            {player.capo > 0 && ` Frets are counted from ${player.name}’s capo ${player.capo}.`}
          </p>
          <ul aria-label={`Shapes of ${layer.name}`} className="flex flex-wrap gap-4">
            {shapes.map(
              ({ symbol, shape }) =>
                shape && (
                  <li key={symbol} className="w-24 text-center">
                    <span className="font-mono font-bold">{namer.chord(symbol)}</span>
                    <ChordDiagram
                      shape={shape}
                      name={namer.chord(symbol)}
                      capo={player.capo}
                      leftHanded={player.leftHanded}
                      className="w-full"
                    />
                  </li>
                ),
            )}
          </ul>
        </>
      )}
      {missing.length > 0 && (
        <p role="status">
          No small shape with root and third of {missing.join(", ")} lies there: it sounds as in the parts.
          Choose another place.
        </p>
      )}
    </div>
  );
}
