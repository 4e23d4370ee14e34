"use client";

import { useState } from "react";
import { describeSpokenProblem, EVEN, formatStrokes, readCounts, readSpoken } from "@/core/rhythm";
import { TextField } from "@/ui/TextField";
import { Toggles } from "@/ui/Toggles";
import { SaidStrum } from "./SaidStrum";
import { TapPad } from "./TapPad";
import type { EditedPattern } from "./use-pattern";
import { Written } from "./Written";

const WAYS = [
  { value: "type", label: "Type" },
  { value: "say", label: "Say" },
  { value: "speak", label: "Speak" },
  { value: "count", label: "Count" },
  { value: "tap", label: "Tap" },
] as const;

/** Putting a pattern in: typed, said in words, spoken, counted or tapped. */
export function PatternEntry({ edited }: { readonly edited: EditedPattern }) {
  const { row, meter, tempo, change, problemOf } = edited;
  const [way, setWay] = useState<(typeof WAYS)[number]["value"]>("type");
  return (
    <>
      <div className="mt-3">
        <Toggles
          label="How to put it in"
          hideLabel
          value={way}
          options={WAYS.map(({ value, label }) => ({
            value,
            label,
            disabled: value !== "type" && row.kind !== "strum",
          }))}
          onSet={setWay}
        />
      </div>
      <div className="mt-2">
        {way === "type" && (
          <>
            <TextField
              label="Strokes, one each subdivision"
              longest={20_000}
              value={row.pattern}
              check={(text) => problemOf({ pattern: text })}
              onSet={(text) => change({ pattern: text.trim().replaceAll(/\s+/gu, " ") })}
            />
            <p className="mt-1 text-sm">
              D down, U up, each with a weight 1 to 3 (D3), Do and Uo over open strings while the hand
              changes; x dead, . rings on, - chokes.
            </p>
          </>
        )}
        {way === "say" && (
          <SaidStrum
            meter={meter}
            tempo={tempo}
            taking="Take it"
            onTake={({ pattern }) =>
              change({
                pattern: formatStrokes(pattern.strokes),
                subdivision: pattern.subdivision,
                ...(pattern.subdivision === 3 ? { swing: EVEN } : {}),
              })
            }
          />
        )}
        {way === "speak" && (
          <Written
            label="Say it as you hear it"
            hint="dum or ba is down, ta or ka up, chk dead; ~ rings on, a lone - chokes; LOUD is accented, (ta) light. Such as: DUM~ dum ta~ ta dum ta"
            read={(text) => {
              const spoken = readSpoken(text);
              if (!spoken.ok) return { problem: describeSpokenProblem(spoken.problem) };
              const strokes = formatStrokes(spoken.value);
              return { text: strokes, problem: problemOf({ pattern: strokes }) };
            }}
            onSet={(strokes) => change({ pattern: strokes })}
          />
        )}
        {way === "count" && (
          <Written
            label="Counts that are struck"
            hint="Down on the beat, up between; ! accents. Such as: 1, 2, 2&, 3&, 4, 4&"
            read={(text) => {
              const counted = readCounts(text, meter, row.subdivision);
              if (!counted.ok) return { problem: describeSpokenProblem(counted.problem) };
              return { text: formatStrokes(counted.value), problem: null };
            }}
            onSet={(strokes) => change({ pattern: strokes })}
          />
        )}
        {way === "tap" && (
          <TapPad
            meter={meter}
            subdivision={row.subdivision}
            tempo={tempo}
            onTapped={(strokes) => change({ pattern: strokes })}
          />
        )}
      </div>
    </>
  );
}
