"use client";

import { parseChord } from "@/core/chord";
import { beatsOfBar, type LineSum } from "@/core/rhythm";
import type { Note, OutlineSection, TimedLine } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { type Playing, piecesOf } from "@/ui/pieces";
import { useNameOf } from "../open";
import { KeptNotes } from "./KeptNotes";
import { LineBeats } from "./LineBeats";
import { MarkedLine } from "./otherwise/MarkedLine";
import type { Marks } from "./otherwise/use-marks";
import { LineEditor } from "./SungLineEditor";

/** The chord that comes after a line within its section. */
export function nextIn(
  lines: readonly TimedLine[] | undefined,
  index: number,
  nameOf: ReturnType<typeof useNameOf>,
): Playing["next"] {
  const after = lines?.slice(index + 1).find(({ events }) => events.length > 0);
  const chord = after?.outline.chords[0]?.chord;
  return after && chord ? { ...nameOf(chord.symbol), event: after.events[0]! } : null;
}

/** One line of a section: chords over words, its beats, and the editor that opens under it. */
export function CardLine({
  line,
  below,
  sum,
  version,
  label,
  notes,
  timed,
  next,
  marks,
  isOpen,
  onOpen,
}: {
  line: OutlineSection["lines"][number];
  /** It and the lines of its section below it. */
  below: OutlineSection["lines"];
  sum: LineSum | undefined;
  version: VersionRow;
  /** "line 2 of Verse 1". */
  label: string;
  notes: readonly Note[] | undefined;
  /** The line as it is played every time, and the chord after it. */
  timed: TimedLine | undefined;
  next: Playing["next"];
  marks: Marks;
  isOpen: boolean;
  onOpen: (open: boolean) => void;
}) {
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  const nameOf = useNameOf();
  const unreadable = line.chords.filter(({ chord }) => !parseChord(chord.symbol).ok);
  return (
    <li className={`rounded-field px-2 py-1 ${isOpen ? "bg-base-200" : "hover:bg-base-200"}`}>
      <KeptNotes notes={notes} />
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1 text-lg">
          {line.chords.length === 0 && line.words.length === 0 ? (
            <span className="text-base italic">An empty line</span>
          ) : (
            <MarkedLine
              pieces={piecesOf(line, sum, version.beatUnit, nameOf, timed && { events: timed.events, next })}
              beatsInBar={beatsOfBar(meter, version.beatUnit)}
              marks={marks}
              label={label}
            />
          )}
        </div>
        <span className="w-40 shrink-0 text-right text-sm">
          {line.chords.length > 0 && <LineBeats lines={below} sum={sum} version={version} label={label} />}
          <button
            type="button"
            className="link block w-full text-right"
            aria-expanded={isOpen}
            aria-label={`${isOpen ? "Close" : "Change"} ${label}`}
            onClick={() => onOpen(!isOpen)}
          >
            {isOpen ? "Close" : "Change"}
          </button>
        </span>
      </div>
      {unreadable.map(({ chord }) => (
        <p key={chord.id} role="note" className="text-sm text-error">
          “{chord.symbol}” can’t be read as a chord; it is kept as written. Correct it under Change.
        </p>
      ))}
      {isOpen && <LineEditor line={line} version={version} sum={sum} label={label} />}
    </li>
  );
}
