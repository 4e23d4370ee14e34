"use client";

import { SONG_WEIGHTS, type SplitWeights } from "@/core/parts";
import { NumberField } from "@/ui/NumberField";

/** What each weight counts, in words. */
const WORDS: readonly (readonly [keyof SplitWeights, string])[] = [
  ["register", "two in one register, a semitone and bar"],
  ["rhythm", "the same strokes, a bar"],
  ["bass", "no bass where it is needed, a bar"],
  ["voice", "in the voice’s register, a semitone and bar"],
  ["energy", "too much or too little light, a step and bar"],
  ["change", "a new technique, strings or role"],
  ["idle", "somebody not playing, a bar"],
];

/** The weights of the score, for who wants to judge otherwise. */
export function WeightsFold({
  weights,
  onSet,
}: {
  weights: SplitWeights;
  onSet: (weights: SplitWeights) => void;
}) {
  return (
    <details className="max-w-3xl">
      <summary className="cursor-pointer">What counts against a proposal, and how much</summary>
      <div className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {WORDS.map(([name, words]) => (
          <NumberField
            key={name}
            label={words}
            value={weights[name]}
            least={0}
            most={1000}
            whole={false}
            onSet={(value) => onSet({ ...weights, [name]: value })}
          />
        ))}
      </div>
      <button type="button" className="btn btn-sm mt-3" onClick={() => onSet(SONG_WEIGHTS)}>
        As they were at first
      </button>
    </details>
  );
}
