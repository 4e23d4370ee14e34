"use client";

import type { SungPiece } from "@/core/song/read";
import { SungLine } from "@/ui/SungLine";
import { ChordMarks } from "./ChordMarks";
import type { Marks } from "./use-marks";

/** A line whose chords can be pressed: what is to be done with one is chosen under the line, or typed at the chord. */
export function MarkedLine({
  pieces,
  beatsInBar,
  marks,
  label,
  toWritten,
}: {
  readonly pieces: readonly SungPiece[];
  readonly beatsInBar: number;
  readonly marks: Marks;
  /** "line 2 of Verse 1". */
  readonly label: string;
  /** Reads a chord as it is typed, where another one may be played here. */
  readonly toWritten?: (text: string) => string | null;
}) {
  const marked = pieces.find((piece) => piece.id === marks.chordId);
  return (
    <>
      <SungLine
        pieces={pieces}
        beatsInBar={beatsInBar}
        nameOf={(piece, name) =>
          piece.tied === "early" ? (
            name
          ) : (
            <button
              type="button"
              className="sung-press"
              data-chord={piece.id}
              aria-pressed={piece.id === marks.chordId}
              onClick={() => marks.setChordId(piece.id === marks.chordId ? null : piece.id)}
              onKeyDown={(event) => marks.onKeyDown(event, piece.id)}
            >
              {name}
            </button>
          )
        }
      />
      {marked && <ChordMarks piece={marked} marks={marks} label={label} {...(toWritten && { toWritten })} />}
    </>
  );
}
