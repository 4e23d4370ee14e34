"use client";

import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import {
  beatsOfBar,
  formatStrokes,
  type Meter,
  patternFromTaps,
  type Stroke,
  type Subdivision,
  type Tap,
  type Tempo,
  tempoMs,
  ticksOfBar,
} from "@/core/rhythm";
import { type KeyAct, keyAct } from "@/ui/keys";
import { SelectField } from "@/ui/SelectField";

const STROKES: Readonly<Record<KeyAct<"tapping">, Stroke>> = {
  down: { kind: "down", weight: 2 },
  "down-strong": { kind: "down", weight: 3 },
  up: { kind: "up", weight: 2 },
  "up-strong": { kind: "up", weight: 3 },
  dead: { kind: "dead" },
  choke: { kind: "choke" },
};

type Props = {
  readonly meter: Meter;
  readonly subdivision: Subdivision;
  readonly tempo: Tempo;
  readonly onTapped: (strokes: string) => void;
};

/** Taps a pattern in on the keyboard, in time with a beat that is seen: a bar of count-in, then the bars asked for. */
export function TapPad({ meter, subdivision, tempo, onTapped }: Props) {
  const [bars, setBars] = useState(1);
  /** When the first downbeat comes, by the browser's clock; null while nothing runs. */
  const [start, setStart] = useState<number | null>(null);
  const [beat, setBeat] = useState(0);
  const [said, setSaid] = useState("");
  const taps = useRef<Tap[]>([]);
  const barMs = tempoMs(ticksOfBar(meter), tempo);
  const beatMs = barMs / beatsOfBar(meter);
  useEffect(() => {
    if (start === null) return;
    const tick = () => {
      const passed = performance.now() - start;
      setBeat(Math.floor(passed / beatMs));
      if (passed < bars * barMs + beatMs / 4) return;
      setStart(null);
      const made = patternFromTaps(taps.current, { meter, subdivision, tempo, bars });
      if (!made.ok) {
        setSaid(
          made.problem.code === "no-taps"
            ? "Nothing was tapped. The pattern is as it was."
            : "The first tap came long before the bar. The pattern is as it was.",
        );
        return;
      }
      onTapped(formatStrokes(made.value.pattern.strokes));
      setSaid(
        `${taps.current.length} taps taken; the farthest lay ${Math.round(made.value.farthestMs)} ms off its place.`,
      );
    };
    const timer = setInterval(tick, 20);
    return () => clearInterval(timer);
  }, [start, bars, barMs, beatMs, meter, subdivision, tempo, onTapped]);
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("tapping", event);
    if (start === null || !pressed || event.repeat) return;
    event.preventDefault();
    const ms = performance.now() - start;
    if (ms > -beatMs / 2) taps.current.push({ ms: Math.max(ms, 0), stroke: STROKES[pressed] });
  };
  const counting = start !== null && beat < 0;
  const inBar = beatsOfBar(meter);
  return (
    <div className="flex flex-wrap items-center gap-3">
      <SelectField
        label="Bars"
        className="w-20"
        value={String(bars)}
        options={[1, 2, 4].map((count) => ({ value: String(count), label: String(count) }))}
        onSet={(count) => setBars(Number(count))}
      />
      <button
        type="button"
        className="btn"
        onKeyDown={onKeyDown}
        onClick={() => {
          if (start !== null) return;
          taps.current = [];
          setSaid("");
          setBeat(-inBar);
          setStart(performance.now() + barMs);
        }}
      >
        {start === null ? "Count in, then tap" : counting ? "Count-in…" : "Tap now"}
      </button>
      <Beats
        count={inBar}
        lit={start === null ? null : ((beat % inBar) + inBar) % inBar}
        isCounting={counting}
      />
      <p className="w-full text-sm">
        J is down, K up, with Shift accented; X a dead stroke, Space a choke. A tap falls to the nearest of{" "}
        {subdivision} places a beat.
      </p>
      <p role="status" className="w-full text-sm">
        {said}
      </p>
    </div>
  );
}

/** The beats of a bar as lamps, the one that sounds lit. */
function Beats({ count, lit, isCounting }: { count: number; lit: number | null; isCounting: boolean }) {
  const colour = isCounting ? "bg-base-300" : "bg-primary text-primary-content";
  return (
    <span aria-hidden="true" className="flex gap-2">
      {Array.from({ length: count }, (_, at) => (
        <span
          key={at}
          className={`flex size-8 items-center justify-center rounded-full border ${at === lit ? colour : ""}`}
        >
          {at + 1}
        </span>
      ))}
    </span>
  );
}
