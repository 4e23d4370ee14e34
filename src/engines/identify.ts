import { z } from "zod";
import { identify as nameChords } from "@/core/chord";
import { HIGHEST_CAPO, pitchesOfFrets } from "@/core/fretboard";
import { GUITAR_TUNING, parseNoteName, parsePitch, pitchClassOf } from "@/core/pitch";
import { FieldError, plainEngine } from "./engine";
import { fields, readKey, readTuning } from "./fields";
import { checkFrets, fretsField } from "./hand";

const input = z.object({
  frets: fretsField,
  tuning: fields.tuning.default([...GUITAR_TUNING]),
  capo: fields.whole("a fret", 0, HIGHEST_CAPO).default(0),
  key: fields.key.optional(),
  /** A bass player's note: a pitch, or a name, which then lies below everything. */
  bass: z.string({ error: 'should be a pitch such as "E1" or a note such as "E"' }).optional(),
});

/** A note of a bass player without an octave lies under every string. */
function readBass(text: string): number {
  const pitch = parsePitch(text);
  if (pitch.ok) return pitch.value;
  const name = parseNoteName(text.trim());
  if (name.ok) return pitchClassOf(name.value);
  throw new FieldError(
    ["bass"],
    `should be a pitch such as "E1" or a note such as "E", not ${JSON.stringify(text.slice(0, 40))}`,
  );
}

export const identify = plainEngine({
  name: "identify",
  summary: "Every name a shape can be called by, the likeliest first.",
  input,
  compute: ({ frets, tuning, capo, key, bass }) => {
    const open = readTuning(tuning, ["tuning"]);
    checkFrets(frets, open.length, ["frets"]);
    const sounding = pitchesOfFrets(frets, open, capo);
    const pitches = bass === undefined ? sounding : [...sounding, readBass(bass)];
    const classes = [...new Set(pitches.map((pitch) => pitch % 12))];
    const lowest = Math.min(...pitches);
    const names = nameChords(classes, lowest % 12, key === undefined ? null : readKey(key, ["key"]));
    return { names };
  },
});
