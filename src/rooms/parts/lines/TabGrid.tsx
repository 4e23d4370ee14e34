"use client";

import { lineFingers, type NoteFit } from "@/core/fretboard";
import { lineStrokes, type SectionChord } from "@/core/parts";
import type { Meter } from "@/core/rhythm";
import type { Riff, RiffNote } from "@/core/song/schema";
import { NoteFields } from "./NoteFields";
import { TabBar } from "./TabBar";
import { useTabGrid } from "./use-tab-grid";

type Props = {
  readonly riff: Riff;
  readonly notes: readonly RiffNote[];
  readonly fits: readonly NoteFit[];
  readonly meter: Meter;
  /** Ticks between columns. */
  readonly step: number;
  readonly chords: readonly SectionChord[];
  /** Names of the strings. */
  readonly strings: readonly string[];
  /** How a chord that sounds is told. */
  readonly chordName: (symbol: string) => string;
  readonly nameOf: (note: RiffNote) => string;
};

/** The grid a line is written on, bar by bar, and the note under the cursor. */
export function TabGrid({ riff, notes, fits, meter, step, chords, strings, chordName, nameOf }: Props) {
  const model = useTabGrid(riff, notes, meter, step);
  const strokes = lineStrokes(riff, notes, meter);
  const fingers = lineFingers(notes, riff);
  return (
    <>
      <div ref={model.grid} className="flex flex-wrap gap-x-6 gap-y-3">
        {Array.from({ length: Math.ceil(model.columns / model.inBar) }, (_, bar) => (
          <TabBar
            key={bar}
            bar={bar}
            model={model}
            riff={riff}
            notes={notes}
            fits={fits}
            strokes={strokes}
            fingers={fingers}
            chords={chords}
            strings={strings}
            chordName={chordName}
            nameOf={nameOf}
          />
        ))}
      </div>
      <p className="mt-2 text-sm">
        Digits put a fret, arrows move, Delete takes away. h hammer, p pull, / slide, x dead, n plucked, b
        bends by quarter tones, r rings, s short, o may be left out, a accents, v the stroke, + and − the
        length.
      </p>
      <NoteFields model={model} strings={strings} nameOf={nameOf} />
    </>
  );
}
