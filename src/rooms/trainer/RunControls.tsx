"use client";

import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";

/** A way to run: its button, and what it does in a sentence. */
export type WayToRun<Way extends string> = {
  readonly way: Way;
  readonly label: string;
  readonly said: string;
};

/** The controls of a trainer: ways to run, where to begin, what is counted and said; and a sentence on what is going on. */
export function RunControls<Way extends string>({
  ways,
  running,
  onStart,
  onStop,
  places,
  from,
  onFrom,
  clicks,
  onClicks,
  hints,
  onHints,
  idle,
}: {
  ways: readonly WayToRun<Way>[];
  running: Way | null;
  onStart: (way: Way) => void;
  onStop: () => void;
  /** Where a run can begin, in order. */
  places: readonly string[];
  from: number;
  onFrom: (place: number) => void;
  clicks: boolean;
  onClicks: (on: boolean) => void;
  hints: boolean;
  onHints: (on: boolean) => void;
  /** What is said while nothing runs. */
  idle: string;
}) {
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-3">
        {ways.map(({ way, label, said }) => (
          <button
            key={way}
            type="button"
            className={`btn ${running === way ? "btn-primary" : ""}`}
            title={said}
            onClick={() => onStart(way)}
          >
            {label}
          </button>
        ))}
        <button type="button" className="btn" disabled={running === null} onClick={onStop}>
          Stop
        </button>
        <SelectField
          label="Begin at"
          className="w-52"
          value={String(from)}
          options={places.map((label, at) => ({ value: String(at), label: `${at + 1}. ${label}` }))}
          onSet={(value) => onFrom(Number(value))}
        />
        <Tick label="Count aloud" on={clicks} onSet={onClicks} />
        <Tick label="Say what is due" on={hints} onSet={onHints} />
      </div>
      <p className="mb-3 max-w-3xl text-sm">{ways.find(({ way }) => way === running)?.said ?? idle}</p>
    </>
  );
}
