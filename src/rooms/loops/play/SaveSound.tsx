"use client";

import { useState } from "react";
import { heardLayers } from "@/core/loops";
import { askEngine } from "@/engines/window";
import type { Loops, ShownPlan } from "../use-loops";

/** The loops of the plan as a sound file, worked out when it is asked for. */
export function SaveSound({ loops, shown }: { loops: Loops; shown: ShownPlan }) {
  const [isUnsaved, setIsUnsaved] = useState(false);
  const save = async () => {
    const { song, plan } = shown;
    const layers = heardLayers(loops.body, song);
    const sound = await askEngine("loop-sound", { asked: song.asked!, way: plan, layers }).catch(() => null);
    setIsUnsaved(!sound?.ok);
    if (!sound?.ok) return;
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([sound.value.slice()], { type: "audio/wav" }));
    link.download = "loops.wav";
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => void save()}>
        Save the loops as a sound file (WAV)
      </button>
      {isUnsaved && (
        <span role="alert" className="self-center text-sm text-error">
          The sound could not be worked out: no file was saved. Try again.
        </span>
      )}
    </>
  );
}
