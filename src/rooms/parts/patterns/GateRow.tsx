"use client";

import { describeGateProblem, gateSpans, type Pattern, readGate, ticksOfPattern } from "@/core/rhythm";
import { TextField } from "@/ui/TextField";
import type { EditedPattern } from "./use-pattern";

/** The on–off row of a stuttered sound over a pattern, and what it lets through. */
export function GateRow({ edited, pattern }: { readonly edited: EditedPattern; readonly pattern: Pattern }) {
  const { row, change } = edited;
  const gate = row.gate === "" ? null : readGate(row.gate, pattern);
  return (
    <div className="mt-3">
      <TextField
        label="On–off row for a stuttered sound: 1 lets through, 0 cuts"
        value={row.gate}
        longest={20_000}
        check={(text) => {
          if (text.trim() === "") return null;
          const read = readGate(text, pattern);
          return read.ok ? null : describeGateProblem(read.problem);
        }}
        onSet={(text) => change({ gate: text.trim().replaceAll(/\s+/gu, " ") })}
      />
      {gate?.ok && (
        <svg
          viewBox="0 0 100 6"
          preserveAspectRatio="none"
          role="img"
          aria-label="What is let through"
          className="mt-1 h-3 w-full max-w-md"
        >
          {gateSpans(gate.value, pattern).map(({ from, to }) => (
            <rect
              key={from}
              x={(100 * from) / ticksOfPattern(pattern)}
              width={(100 * (to - from)) / ticksOfPattern(pattern)}
              y="0"
              height="6"
              className="fill-base-content"
            />
          ))}
        </svg>
      )}
      {gate && !gate.ok && <p className="text-sm text-error">{describeGateProblem(gate.problem)}</p>}
    </div>
  );
}
