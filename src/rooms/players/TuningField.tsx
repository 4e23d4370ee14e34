"use client";

import { useState } from "react";
import { describeList, type SaidTuning } from "@/core/fretboard";
import { formatTuning } from "@/core/pitch";
import type { Namer } from "@/core/song/names";
import { tuningOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { TextField } from "@/ui/TextField";
import { useNames } from "../open";
import { readTuningText } from "./tuning-text";

/** The strings of a player, typed by name or in words; a string that moves unlike the others is asked about. */
export function TuningField({ player, onSet }: { player: Player; onSet: (tuning: string[]) => void }) {
  const [asked, setAsked] = useState<SaidTuning | null>(null);
  const namer = useNames()({ player, capo: player.capo });
  const strings = player.tuning.length;
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
        value={namer.tuning(tuningOf(player)).join(" ")}
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
          {describeUnlike(asked, namer)}
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

function describeUnlike({ tuning, unlike }: SaidTuning, namer: Namer): string {
  const names = namer.strings(tuning);
  const named = unlike.map((string) => names[string]!);
  return named.length === 1
    ? `${named[0]} moves unlike the other strings. Is that meant?`
    : `${describeList(named)} move unlike the other strings. Is that meant?`;
}
