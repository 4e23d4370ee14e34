"use client";

import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { beatsOfTaps, formatBeatRow, MOST_BPM } from "@/core/rhythm";
import type { OutlineLine } from "@/core/song/read";
import { type KeyAct, keyAct } from "@/ui/keys";
import { NumberField } from "@/ui/NumberField";
import type { NameOf } from "../open";
import { type TapsState, useTaps } from "./use-taps";

/**
 * Sets the beats of a section by hand: a click counts in, the words stand still, and at every change of chord a key, the pad or
 * a pedal is tapped.
 */
export function TapBeats({
  label,
  lines,
  nameOf,
  tempo,
  bar,
  onTake,
  onLeave,
}: {
  label: string;
  lines: readonly OutlineLine[];
  nameOf: NameOf;
  /** Beats a minute, and beats of a bar. */
  tempo: number;
  bar: number;
  /** @param rows beats by line; a line with none was not tapped */
  onTake: (rows: readonly (readonly number[])[]) => void;
  onLeave: () => void;
}) {
  const [speed, setSpeed] = useState(tempo);
  const all = lines.reduce((sum, { chords }) => sum + chords.length, 0);
  const { state, taps, click, clock, countIn, begin, tap, end, reset } = useTaps(speed, bar, all + 1);
  const pad = useRef<HTMLButtonElement>(null);
  /** Whether the finger that is down has tapped: the click that follows says nothing more. */
  const hasTapped = useRef(false);
  useEffect(() => {
    pad.current?.focus();
  }, []);
  const beats = beatsOfTaps({ ...clock, taps }, all, bar);
  const rows = rowsOf(lines, state === "over" ? beats : []);
  const acts: Readonly<Record<KeyAct<"taps">, (at: number) => void>> = {
    tap: (at) => (state === "running" ? tap(at) : state === "idle" && begin()),
    end: () => (state === "running" ? end() : state === "over" ? onTake(rows) : begin()),
    leave: onLeave,
  };
  const onKey = (event: KeyboardEvent) => {
    const isOther = event.target !== pad.current && event.key !== "Escape";
    const act = isOther ? null : keyAct("taps", event);
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    if (!event.repeat) acts[act](event.timeStamp);
  };
  const press = (at: number) => (state === "running" ? tap(at) : state === "idle" ? begin() : onTake(rows));
  return (
    <section
      aria-label={`Tap the beats of ${label}`}
      className="mb-3 rounded-box border-2 border-primary bg-base-200 p-3"
      onKeyDown={onKey}
    >
      <p className="mb-2 text-sm">
        A bar is counted in. Tap where each chord begins, and once more where the last one ends; each goes to
        the nearest half of a beat. Space, a page pedal or the pad taps.
      </p>
      <div className="mb-2 text-lg leading-relaxed">
        {lines.map((line, at) => (
          <TapRow
            key={at}
            line={line}
            nameOf={nameOf}
            first={lines.slice(0, at).reduce((sum, { chords }) => sum + chords.length, 0)}
            tapped={taps.length}
            isRunning={state === "running"}
            row={rows[at] && rows[at].length > 0 ? formatBeatRow(rows[at], bar) : ""}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <button
          ref={pad}
          type="button"
          className="btn btn-primary h-16 min-w-56 flex-1"
          onPointerDown={(event) => {
            hasTapped.current = state === "running";
            if (state !== "running") return;
            event.preventDefault();
            event.currentTarget.focus();
            press(event.timeStamp);
          }}
          onClick={(event) => {
            if (!hasTapped.current && state !== "running") press(event.timeStamp);
            hasTapped.current = false;
          }}
        >
          {padWords(state, click, countIn)}
        </button>
        {state !== "running" && (
          <NumberField
            label="The click"
            value={speed}
            least={1}
            most={MOST_BPM}
            whole={false}
            unit="a minute"
            onSet={setSpeed}
          />
        )}
        {state === "over" && (
          <button type="button" className="btn" onClick={reset}>
            Again
          </button>
        )}
        <button type="button" className="btn" onClick={onLeave}>
          Leave it
        </button>
      </div>
      <p aria-live="polite" className="mt-1 text-sm">
        {state === "over" &&
          (taps.length >= all
            ? "All chords are tapped."
            : `${taps.length} of ${all} chords were tapped; the others stay.`)}
      </p>
    </section>
  );
}

/** What a press of the pad does now, or the beat that is heard. */
function padWords(state: TapsState, click: number | null, countIn: number): string {
  if (state === "idle") return "Start the click";
  if (state === "over") return "Take these beats";
  if (click === null || click < -countIn) return "…";
  return click < 0 ? `${click + countIn + 1} (counted in)` : `Tap: ${(click % countIn) + 1}`;
}

/** A line with the chord to tap next marked in it, and its beats once they are known. */
function TapRow({
  line: { text, chords },
  nameOf,
  first,
  tapped,
  isRunning,
  row,
}: {
  line: OutlineLine;
  nameOf: NameOf;
  /** How many chords stand before its own. */
  first: number;
  tapped: number;
  isRunning: boolean;
  row: string;
}) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-1">
      {chords[0] && chords[0].at > 0 && <span>{text.slice(0, chords[0].at)}</span>}
      {chords.map(({ chord, at }, index) => {
        const isNext = isRunning && first + index === tapped;
        return (
          <span
            key={index}
            aria-current={isNext || undefined}
            className={`rounded-field px-1 ${isNext ? "bg-primary text-primary-content" : ""} ${
              first + index < tapped ? "underline decoration-2" : ""
            }`}
          >
            <b className="font-mono">{nameOf(chord.symbol).name}</b> {text.slice(at, chords[index + 1]?.at)}
          </span>
        );
      })}
      {chords.length === 0 && <span>{text}</span>}
      {row !== "" && <span className="ml-auto font-mono text-sm">{row}</span>}
    </p>
  );
}

/** Beats by line; lines whose chords were not all tapped have none. */
function rowsOf(lines: readonly OutlineLine[], beats: readonly number[]): number[][] {
  let from = 0;
  return lines.map(({ chords }) => {
    const row = beats.slice(from, from + chords.length);
    from += chords.length;
    return row.length === chords.length ? row : [];
  });
}
