"use client";

import { useState } from "react";
import { setCue } from "@/core/cues";
import { CUE_SIGNS, type CueRow } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { Tick } from "@/ui/Tick";
import { useAct, useRows } from "../open";
import { SIGN_WORDS } from "./cue-words";

/** A cue of one's own: what it says, and opened all that can be said of it. */
export function OwnCue({ cue }: { cue: CueRow }) {
  const act = useAct();
  const body = useRows("players");
  const [isOpen, setOpen] = useState(false);
  const players = Object.values(body.players).sort(byOrder);
  const giver = body.players[cue.giverId ?? ""];
  const change = (fields: Partial<Omit<CueRow, "id">>) => act(setCue(cue.id, fields));
  const people = (nobody: string) => [
    { value: "", label: nobody },
    ...players.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <>
      <strong>{cue.text}</strong>
      {cue.sign !== "none" && ` (${SIGN_WORDS[cue.sign]}${giver ? ` by ${giver.name}` : ""})`}{" "}
      <button type="button" className="link text-sm" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? "Done" : `Change “${cue.text}”`}
      </button>
      {isOpen && (
        <span className="mt-1 flex flex-wrap items-end gap-3 rounded-box bg-base-200 p-2">
          <TextField
            label="What"
            className="w-56"
            value={cue.text}
            required
            longest={200}
            onSet={(text) => change({ text })}
          />
          <SelectField
            label="For"
            className="w-36"
            value={cue.playerId ?? ""}
            options={people("everybody")}
            onSet={(id) => change({ playerId: id || null })}
          />
          <SelectField
            label="Given"
            className="w-36"
            value={cue.sign}
            options={CUE_SIGNS.map((sign) => ({ value: sign, label: SIGN_WORDS[sign] }))}
            onSet={(sign) => change({ sign })}
          />
          <SelectField
            label="By"
            className="w-36"
            value={cue.giverId ?? ""}
            options={people("nobody")}
            onSet={(id) => change({ giverId: id || null })}
          />
          <Tick label="A danger spot" on={cue.danger} onSet={(danger) => change({ danger })} />
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act({ type: "remove", table: "cues", id: cue.id })}
          >
            Remove
          </button>
        </span>
      )}
    </>
  );
}
