"use client";

import { useMemo, useState } from "react";
import { type Adjustments, type ChordSheet, sectionsRead } from "@/core/formats";
import { beatsOfBar, ticksOfBar } from "@/core/rhythm";
import { Namer } from "@/core/song/names";
import { describeOddLengths, linesLike, oddLengths, type PlacedRow, placeRows } from "@/core/song/read";
import { piecesOf } from "@/ui/pieces";
import { SungLine } from "@/ui/SungLine";
import { nameBy } from "../open";
import { describeFormOf, LineRow, TapBeats } from "../song";
import { SectionGuess } from "./Guesses";
import { type Preview, withRows } from "./preview";

/** Longer sections are previewed in part: the song itself takes all of them. */
const MOST_LINES_SHOWN = 60;

/** A section as it will stand: its name and kind, its lines, and the beats of each to be put right. */
export function SectionPreview({
  shown,
  index,
  read,
  adjustments,
  onChange,
}: {
  shown: Preview;
  index: number;
  /** As it was read, before sections were joined: their numbers are what is changed. */
  read: ChordSheet;
  adjustments: Adjustments;
  onChange: (fields: Partial<Adjustments>) => void;
}) {
  const [tapping, setTapping] = useState(false);
  const { version, written, outline, sums } = shown;
  const { section, lines } = outline.sections[index]!;
  const sum = sums.get(section.id);
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  const bar = beatsOfBar(meter, version.beatUnit);
  const namer = useMemo(() => new Namer({ version: { [written.id]: written } }), [written]);
  const nameOf = nameBy(namer);
  const setRows = (rows: readonly PlacedRow[]) => onChange({ beats: withRows(read, adjustments, rows) });
  const odd = sum?.open
    ? ["Its bars do not close yet: correct the beats at the right of its lines."]
    : describeOddLengths(
        oddLengths(outline.sections[index]!, ticksOfBar(meter), sum?.nextPickup),
        section.label,
      );
  const form = describeFormOf(sum, namer);
  return (
    <div className="mt-4 border-l-4 border-base-300 pl-4">
      <div className="flex flex-wrap items-end gap-3">
        {sectionsRead(read, adjustments, index).map((one) => (
          <SectionGuess key={one} sheet={read} index={one} adjustments={adjustments} onChange={onChange} />
        ))}
        {lines.some((line) => line.chords.length > 0) && (
          <button
            type="button"
            className="link ml-auto pb-1 text-sm"
            aria-expanded={tapping}
            onClick={() => setTapping(!tapping)}
          >
            Tap the beats
          </button>
        )}
      </div>
      {odd.map((said) => (
        <p key={said} role="note" className="mt-1 text-sm">
          {said}
        </p>
      ))}
      {form && (
        <p role="note" className="mt-1 text-sm">
          {form}
        </p>
      )}
      {tapping && (
        <TapBeats
          label={section.label}
          lines={lines}
          nameOf={nameOf}
          tempo={version.bpm}
          bar={bar}
          onTake={(rows) => {
            setRows(
              rows.flatMap((beats, line) =>
                beats.length > 0 ? [{ place: { section: index, line }, beats }] : [],
              ),
            );
            setTapping(false);
          }}
          onLeave={() => setTapping(false)}
        />
      )}
      {lines.slice(0, MOST_LINES_SHOWN).map((line, at) => (
        <div key={line.line.id} className="mt-1 flex items-start gap-3">
          <SungLine
            className="min-w-0 flex-1"
            beatsInBar={bar}
            pieces={piecesOf(line, sum?.lines[at], version.beatUnit, nameOf)}
          />
          <span className="w-40 shrink-0">
            {line.chords.length > 0 && (
              <LineRow
                lines={lines.slice(at)}
                sum={sum?.lines[at]}
                version={version}
                label={`line ${at + 1} of ${section.label}`}
                countAlike={() => linesLike(outline.sections, { section: index, line: at }).length}
                onSet={(rows, alsoAlike) =>
                  setRows(placeRows(outline.sections, { section: index, line: at }, rows, alsoAlike))
                }
              />
            )}
          </span>
        </div>
      ))}
      {lines.length > MOST_LINES_SHOWN && (
        <p className="text-sm">and {lines.length - MOST_LINES_SHOWN} more lines</p>
      )}
    </div>
  );
}
