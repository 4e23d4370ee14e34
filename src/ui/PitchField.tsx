"use client";

import { formatPitch, parsePitch } from "@/core/pitch";
import { pretty } from "./pretty";
import { TextField } from "./TextField";

type Props = {
  readonly label: string;
  readonly hideLabel?: boolean;
  /** MIDI; null is unknown. */
  readonly value: number | null;
  readonly className?: string;
  readonly onSet: (midi: number | null) => void;
};

/** Reads a pitch as people type it. */
function readPitch(text: string): number | null {
  const pitch = parsePitch(
    text
      .replaceAll("♭", "b")
      .replaceAll("♯", "#")
      .replace(/^\s*[a-g]/u, (letter) => letter.toUpperCase()),
  );
  return pitch.ok ? pitch.value : null;
}

/** A pitch typed as a note and its octave; empty is unknown. */
export function PitchField({ label, hideLabel = false, value, className = "w-20", onSet }: Props) {
  return (
    <TextField
      label={label}
      hideLabel={hideLabel}
      className={className}
      longest={6}
      value={value === null ? "" : pretty(formatPitch(value))}
      check={(text) =>
        text.trim() === "" || readPitch(text) !== null
          ? null
          : `${label}: “${text}” is not a pitch such as A3 or B♭4. C4 is middle C.`
      }
      onSet={(text) => onSet(text.trim() === "" ? null : readPitch(text))}
    />
  );
}
