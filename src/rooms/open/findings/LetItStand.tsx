"use client";

import { useState } from "react";
import { dismiss } from "@/core/song/edit";
import { makeId } from "@/document/client";
import { useAct } from "../open-song";

/** Lets a finding stand at all its places, with a reason that is asked for first. */
export function LetItStand({ findings }: { findings: readonly string[] }) {
  const act = useAct();
  const [reason, setReason] = useState<string | null>(null);
  if (reason === null)
    return (
      <button type="button" className="btn btn-ghost btn-sm underline" onClick={() => setReason("")}>
        Let it stand
      </button>
    );
  return (
    <form
      className="mt-2 flex w-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        act(dismiss(findings, reason.trim(), makeId));
      }}
    >
      <label className="flex flex-1 flex-col gap-1 text-sm">
        Why it may stand
        <input
          className="input input-sm w-full"
          value={reason}
          maxLength={400}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={reason.trim() === ""}>
        Let it stand
      </button>
      <button type="button" className="btn btn-ghost btn-sm underline" onClick={() => setReason(null)}>
        Not now
      </button>
    </form>
  );
}
