"use client";

import type { Namer } from "@/core/song/names";
import { TextField } from "./TextField";

type Props = {
  readonly label: string;
  readonly hideLabel?: boolean;
  /** MIDI; null is unknown. */
  readonly value: number | null;
  readonly className?: string;
  /** Tells pitches, and reads what is typed. */
  readonly namer: Pick<Namer, "soundingPitch" | "readPitch">;
  readonly onSet: (midi: number | null) => void;
};

/** A pitch typed as a note and its octave; empty is unknown. */
export function PitchField({ label, hideLabel = false, value, className = "w-20", namer, onSet }: Props) {
  return (
    <TextField
      label={label}
      hideLabel={hideLabel}
      className={className}
      longest={6}
      value={value === null ? "" : namer.soundingPitch(value)}
      check={(text) =>
        text.trim() === "" || namer.readPitch(text) !== null
          ? null
          : `${label}: “${text}” is not a pitch such as ${namer.soundingPitch(57)} or ${namer.soundingPitch(70)}. ${namer.soundingPitch(60)} is middle C.`
      }
      onSet={(text) => onSet(text.trim() === "" ? null : namer.readPitch(text))}
    />
  );
}
