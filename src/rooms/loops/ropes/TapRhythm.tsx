"use client";

import { useEffect, useState } from "react";
import { setTapped } from "@/core/loops";
import { beatUnitOf, rhythmOfTaps, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { meterOf, versionRow } from "@/core/song/read";
import type { LoopLayerRow } from "@/core/song/schema";
import { makeId, useAct, useCurrentVersion, useRows } from "../../open";

/** Nothing tapped for so long, and the rhythm is over, ms. */
const OVER_MS = 1500;

/** A layer's rhythm, tapped on the spot: read when the taps are over, and taken with one touch. */
export function TapRhythm({ layer }: { layer: LoopLayerRow }) {
  const body = useRows("version");
  const act = useAct();
  const current = useCurrentVersion();
  const [taps, setTaps] = useState<readonly number[]>([]);
  const [isOver, setOver] = useState(false);
  useEffect(() => {
    if (taps.length === 0) return;
    const timer = setTimeout(() => setOver(true), OVER_MS);
    return () => clearTimeout(timer);
  }, [taps]);
  const meter = meterOf(body);
  const version = versionRow(body);
  const unit = ticksOfBeatUnit(beatUnitOf(meter)) ?? 960;
  const beatMs = (60_000 / version.bpm) * (unit / (ticksOfBeatUnit(version.beatUnit) ?? 960));
  const rhythm = isOver ? rhythmOfTaps(taps, beatMs, (layer.bars * ticksOfBar(meter)) / unit) : null;
  const tap = (stamp: number) => {
    setTaps(isOver ? [stamp] : [...taps, stamp]);
    setOver(false);
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="btn touch-none"
        onPointerDown={(event) => tap(event.timeStamp)}
        onKeyDown={(event) => {
          if ((event.key === " " || event.key === "Enter") && !event.repeat) {
            event.preventDefault();
            tap(event.timeStamp);
          }
        }}
      >
        Tap its rhythm here
      </button>
      <span className="text-sm" aria-live="polite">
        {taps.length === 0 && "The first tap is on 1; a pause ends it."}
        {taps.length > 0 && !isOver && `${taps.length} tapped…`}
        {rhythm && (
          <>
            {rhythm.onsets} strokes in {layer.bars} {layer.bars === 1 ? "bar" : "bars"}:{" "}
            <span className="font-mono break-all">{rhythm.pattern}</span>
          </>
        )}
      </span>
      {rhythm && (
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() => {
            act(setTapped(current(), layer, rhythm, meter, makeId));
            setTaps([]);
            setOver(false);
          }}
        >
          Take this rhythm
        </button>
      )}
    </div>
  );
}
