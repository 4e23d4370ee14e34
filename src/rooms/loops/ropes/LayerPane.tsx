"use client";

import { removeLayer, setLayer } from "@/core/loops";
import { versionRow } from "@/core/song/read";
import {
  type BodyPart,
  LAYER_PITCHES,
  LAYER_SOUNDS,
  type LayerSound,
  type LoopLayerRow,
  MOST_LAYER_BARS,
  QUIETEST_DBFS,
} from "@/core/song/schema";
import { byOrder } from "@/document";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { usePane } from "@/ui/use-pane";
import { useAct, useCurrentVersion, useNames, useRows } from "../../open";
import { NEEDS, PITCH_WORDS, SOUND_WORDS } from "../loop-words";
import { LoopShapes } from "./LoopShapes";
import { formatChords, readChords } from "./layer-chords";
import { TapRhythm } from "./TapRhythm";

/** One layer opened: all that is known of it. */
export function LayerPane({
  layer,
  barTicks,
  onGone,
}: {
  layer: LoopLayerRow;
  barTicks: number;
  onGone: () => void;
}) {
  const body = useRows("version");
  const namer = useNames()();
  const act = useAct();
  const current = useCurrentVersion();
  const onKeyDown = usePane(onGone);
  const { beatUnit } = versionRow(body);
  const change = (fields: Parameters<typeof setLayer>[1]) => act(setLayer(layer.id, fields));
  return (
    <section
      aria-label={`Layer ${layer.name}`}
      onKeyDown={onKeyDown}
      className="rounded-box border border-base-300 p-3"
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-5">
        <TextField label="Name" value={layer.name} required longest={60} onSet={(name) => change({ name })} />
        <HowItSounds layer={layer} change={change} />
        <NumberField
          label="Length"
          value={layer.bars}
          least={1}
          most={MOST_LAYER_BARS}
          unit="bars"
          onSet={(bars) => change({ bars })}
        />
        <SelectField
          label="Takes"
          value={
            NEEDS.map(([value]) => value).find((value) => value === layer.needs.toSorted().join(" ")) ?? ""
          }
          options={NEEDS.map(([value, label]) => ({ value, label }))}
          onSet={(value) => change({ needs: value === "" ? [] : (value.split(" ") as BodyPart[]) })}
        />
        <TextField
          className="col-span-2"
          label={`Chords, a bar each or with beats: ${namer.examples()[0]}:2`}
          value={formatChords(layer.chords, beatUnit, barTicks, namer)}
          longest={2000}
          check={(text) => {
            const read = readChords(text, beatUnit, barTicks, namer);
            return typeof read === "string" ? read : null;
          }}
          onSet={(text) => {
            const read = readChords(text, beatUnit, barTicks, namer);
            if (typeof read !== "string") change({ chords: read });
          }}
        />
        <WhatIsIn layer={layer} change={change} />
        <NumberField
          label="Peak"
          value={layer.level}
          least={QUIETEST_DBFS}
          most={0}
          unit="dBFS"
          whole={false}
          onSet={(level) => change({ level })}
        />
        <WithOthers layer={layer} change={change} />
        <span className="flex items-end">
          <Tick
            label="A steady pulse is heard in it"
            on={layer.steady}
            onSet={(steady) => change({ steady })}
          />
        </span>
      </div>
      <LoopShapes layer={layer} change={change} />
      <TapRhythm layer={layer} />
      <button
        type="button"
        className="btn btn-sm mt-3"
        onClick={() => {
          act(removeLayer(current(), layer.id));
          onGone();
        }}
      >
        Remove this layer
      </button>
    </section>
  );
}

type LinkProps = { layer: LoopLayerRow; change: (fields: Parameters<typeof setLayer>[1]) => void };

const NOTHING = { value: "", label: "nothing" };
const choicesOf = (rows: readonly { readonly id: string; readonly name: string }[]) => [
  NOTHING,
  ...rows.map(({ id, name }) => ({ value: id, label: name })),
];

/** What it is played as, and whether it has a pitch. */
function HowItSounds({ layer, change }: LinkProps) {
  return (
    <>
      <SelectField
        label="Played as"
        value={layer.plays}
        options={LAYER_SOUNDS.map((one) => ({ value: one, label: SOUND_WORDS[one] }))}
        onSet={(value) => {
          const plays = value as LayerSound;
          const dry = plays === "thump" || plays === "chop" || plays === "clap";
          change({
            plays,
            pitch: dry ? "unpitched" : "pitched",
            needs: plays === "voice" ? ["mouth"] : ["hands"],
          });
        }}
      />
      <SelectField
        label="Pitch"
        value={layer.pitch}
        options={LAYER_PITCHES.map((one) => ({ value: one, label: PITCH_WORDS[one] }))}
        onSet={(pitch) => change({ pitch })}
      />
    </>
  );
}

/** The line and the pattern a layer plays. */
function WhatIsIn({ layer, change }: LinkProps) {
  const body = useRows("riffs", "strums");
  return (
    <>
      <SelectField
        label="Line"
        value={layer.riffId ?? ""}
        options={choicesOf(Object.values(body.riffs).sort(byOrder))}
        onSet={(value) => change({ riffId: value || null })}
      />
      <SelectField
        label="Pattern"
        value={layer.strumId ?? ""}
        options={choicesOf(Object.values(body.strums).sort(byOrder))}
        onSet={(value) => change({ strumId: value || null })}
      />
    </>
  );
}

/** The layers it is recorded with, or doubles on purpose. */
function WithOthers({ layer, change }: LinkProps) {
  const { loopLayers } = useRows("loopLayers");
  const others = Object.values(loopLayers)
    .filter(({ id }) => id !== layer.id)
    .sort(byOrder);
  return (
    <>
      <SelectField
        label="Recorded in one pass with"
        value={layer.recordWithId ?? ""}
        options={choicesOf(others)}
        onSet={(value) => change({ recordWithId: value || null })}
      />
      <SelectField
        label="Doubles on purpose"
        value={layer.doublesId ?? ""}
        options={choicesOf(others)}
        onSet={(value) => change({ doublesId: value || null })}
      />
    </>
  );
}
