"use client";

import { describeNamed } from "@/core/sounds";
import { Notes } from "../loops";
import { makeId, useAct, useCurrentVersion } from "../open";
import type { Tones } from "./use-sounds";

/** What stands in the way of a plan, and the way out with one act where there is one. */
export function ToneNotes({ tones }: { tones: Tones }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { song } = tones;
  const missing = song.problems.flatMap((one) => (one.code === "not-described" ? [one.sound] : []));
  return (
    <>
      <Notes loops={tones} />
      {missing.length > 0 && (
        <p className="mb-4">
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act(describeNamed(current(), song.player.id, missing, makeId))}
          >
            Describe {missing.map((name) => `“${name}”`).join(", ")}
          </button>
        </p>
      )}
    </>
  );
}
