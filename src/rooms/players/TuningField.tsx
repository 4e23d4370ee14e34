"use client";

import { useState } from "react";
import { describeList, type SaidTuning } from "@/core/fretboard";
import { formatTuning, stringNames } from "@/core/pitch";
import { pretty } from "@/ui/pretty";
import { TextField } from "@/ui/TextField";
import { readTuningText } from "./tuning-text";

/** The strings of a player, typed by name or in words; a string that moves unlike the others is asked about. */
export function TuningField({
  tuning,
  onSet,
}: {
  /** Pitches from the player's face. */
  tuning: readonly string[];
  onSet: (tuning: string[]) => void;
}) {
  const [asked, setAsked] = useState<SaidTuning | null>(null);
  const strings = tuning.length;
  const set = (text: string) => {
    const said = readTuningText(text, strings);
    if (!said.ok) return;
    setAsked(said.value.unlike.length > 0 ? said.value : null);
    onSet(formatTuning(said.value.tuning));
  };
  const moveAlike = (said: SaidTuning) => {
    const usual = readTuningText("standard", strings);
    if (usual.ok) onSet(formatTuning(usual.value.tuning.map((midi) => midi + said.by)));
    setAsked(null);
  };
  return (
    <span className="flex flex-col gap-1">
      <TextField
        label={`Tuning (${strings} strings)`}
        value={tuning.map(pretty).join(" ")}
        className="w-60"
        offered={["half step down", "whole step down", "Drop D", "standard"]}
        check={(text) => {
          const said = readTuningText(text, strings);
          return said.ok ? null : said.problem;
        }}
        onSet={set}
      />
      {asked && (
        <span role="note" className="flex max-w-60 flex-wrap items-center gap-1 text-sm">
          {describeUnlike(asked)}
          <button type="button" className="btn btn-xs" onClick={() => setAsked(null)}>
            It is meant
          </button>
          <button type="button" className="btn btn-xs" onClick={() => moveAlike(asked)}>
            Like the others
          </button>
        </span>
      )}
    </span>
  );
}

function describeUnlike({ tuning, unlike }: SaidTuning): string {
  const names = stringNames(tuning);
  const named = unlike.map((string) => pretty(names[string]!));
  return named.length === 1
    ? `${named[0]} moves unlike the other strings. Is that meant?`
    : `${describeList(named)} move unlike the other strings. Is that meant?`;
}
