"use client";

import { useState } from "react";
import type { Adjustments, ChordSheet } from "@/core/formats";
import { beatsOfBar, beatsOfTicks, ticksOfBar } from "@/core/rhythm";
import { describeOddLengths, type LinePlace, linesLike, oddLengths } from "@/core/song/read";
import { BeatRowField } from "@/ui/BeatRowField";
import { piecesOf } from "@/ui/pieces";
import { SungLine } from "@/ui/SungLine";
import { describeFormOf, soundingName, TapBeats } from "../song";
import { SectionGuess } from "./Guesses";
import { type Preview, type PreviewRow, withRows } from "./preview";

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
  const nameOf = (symbol: string) => soundingName(written, symbol);
  const setRows = (rows: readonly PreviewRow[]) => onChange({ beats: withRows(read, adjustments, rows) });
  const odd = sum?.open
    ? ["Its bars do not close yet: correct the beats at the right of its lines."]
    : describeOddLengths(
        oddLengths(outline.sections[index]!, ticksOfBar(meter), sum?.nextPickup),
        section.label,
      );
  const form = describeFormOf(sum, nameOf);
  return (
    <div className="mt-4 border-l-4 border-base-300 pl-4">
      <div className="flex flex-wrap items-end gap-3">
        {readSections(read, adjustments, index).map((one) => (
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
          lines={lines.map(({ text, chords }) => ({
            words: text,
            chords: chords.map(({ chord, at }) => ({ name: nameOf(chord.symbol).name, at })),
          }))}
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
              <LineBeats shown={shown} place={{ section: index, line: at }} onSet={setRows} />
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

/** The sections of the sheet that stand in one of the preview: it, and those that go on from it. */
function readSections(read: ChordSheet, { sections = [] }: Adjustments, shown: number): number[] {
  const isJoined = (index: number) => sections.some((one) => one.section === index && one.join);
  const own = read.sections.flatMap((_, index) => (isJoined(index) ? [] : [index]))[shown] ?? shown;
  const found = [own];
  while (isJoined(found.at(-1)! + 1)) found.push(found.at(-1)! + 1);
  return found;
}

/** The beats of a line of the preview, to type. */
function LineBeats({
  shown: { version, outline, sums },
  place,
  onSet,
}: {
  shown: Preview;
  place: LinePlace;
  onSet: (rows: readonly PreviewRow[]) => void;
}) {
  const { section, lines } = outline.sections[place.section]!;
  const below = lines.slice(place.line);
  const line = below[0]!;
  const from = sums.get(section.id)?.lines[place.line]?.carryIn ?? 0;
  const { beatUnit } = version;
  return (
    <BeatRowField
      label={`line ${place.line + 1} of ${section.label}`}
      beats={line.chords.map(({ chord }) => beatsOfTicks(chord.ticks, beatUnit))}
      bar={beatsOfBar({ beats: version.meterBeats, unit: version.meterUnit }, beatUnit)}
      from={beatsOfTicks(from, beatUnit)}
      guessed={line.chords.some(({ chord }) => chord.guessed)}
      chordsBelow={below.map(({ chords }) => chords.length)}
      countAlike={() => linesLike(outline.sections, place).length}
      onSet={(rows, alsoAlike) => {
        const played = below.flatMap(({ chords }, at) => (chords.length > 0 ? [place.line + at] : []));
        const own = rows.map((beats, at) => ({ place: { ...place, line: played[at]! }, beats }));
        const like = alsoAlike ? linesLike(outline.sections, place) : [];
        onSet([...own, ...like.map((at) => ({ place: at, beats: rows[0]! }))]);
      }}
    />
  );
}
