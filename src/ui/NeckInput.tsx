"use client";

import { useState } from "react";
import { type Frets, LAST_FRET } from "@/core/fretboard";

const ROWS = 5;

type Props = {
  readonly frets: Frets;
  /** Names of the strings, from the player's face. */
  readonly strings: readonly string[];
  readonly leftHanded: boolean;
  readonly onSet: (frets: Frets) => void;
};

/** A small neck to press a shape on: a press sets a string's fret, the head of a string damps it or lets it ring open. */
export function NeckInput({ frets, strings, leftHanded, onSet }: Props) {
  const [first, setFirst] = useState(1);
  const press = (string: number, fret: number | null) =>
    onSet(strings.map((_, at) => (at === string ? fret : (frets[at] ?? null))));
  const move = (by: number) => setFirst(Math.min(LAST_FRET - ROWS + 1, Math.max(1, first + by)));
  const across = `flex ${leftHanded ? "flex-row-reverse" : ""}`;
  return (
    <fieldset className="w-fit">
      <legend className="text-sm">Or press it, frets counted from the capo</legend>
      <div className="flex items-start gap-2">
        <div>
          <div className={across}>
            {strings.map((name, string) => {
              const fret = frets[string] ?? null;
              return (
                <button
                  key={name}
                  type="button"
                  className="h-8 w-8 rounded-field text-sm hover:bg-base-300"
                  aria-label={`${name}: ${fret === null ? "not played" : fret === 0 ? "open" : `fret ${fret}`}; press for ${fret === 0 ? "not played" : "open"}`}
                  onClick={() => press(string, fret === 0 ? null : 0)}
                >
                  {fret === null ? "×" : fret === 0 ? "○" : "·"}
                </button>
              );
            })}
          </div>
          {Array.from({ length: ROWS }, (_, row) => first + row).map((fret) => (
            <div key={fret} className={`${across} border-t border-base-content/40`}>
              {strings.map((name, string) => {
                const isOn = frets[string] === fret;
                return (
                  <button
                    key={name}
                    type="button"
                    aria-pressed={isOn}
                    aria-label={`${name}, fret ${fret}`}
                    className="flex h-8 w-8 items-center justify-center border-base-content/40 hover:bg-base-300"
                    onClick={() => press(string, isOn ? null : fret)}
                  >
                    <span
                      className={isOn ? "size-5 rounded-full bg-base-content" : "h-8 w-px bg-base-content/50"}
                    />
                  </button>
                );
              })}
            </div>
          ))}
        </div>
        <div className="flex flex-col items-start gap-1 pt-8 text-sm">
          <span>fret {first}</span>
          <button type="button" className="btn btn-xs" disabled={first === 1} onClick={() => move(-ROWS)}>
            Nearer the nut
          </button>
          <button
            type="button"
            className="btn btn-xs"
            disabled={first > LAST_FRET - ROWS}
            onClick={() => move(ROWS)}
          >
            Up the neck
          </button>
        </div>
      </div>
    </fieldset>
  );
}
