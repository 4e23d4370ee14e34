"use client";

import { type ChordSheet, DEFAULT_TEMPO, type SheetReading } from "@/core/formats";
import { beatsOfBar, beatUnitOf, COMMON_TIME } from "@/core/rhythm";
import { describeTime, pretty } from "@/ui/pretty";

/** So many sections, and so many lines of each, are drawn of a reading. */
const MOST_SECTIONS = 3;
const MOST_LINES = 2;

/** One line of a section, as it is drawn. */
type Drawn = {
  readonly chords: readonly { readonly symbol: string; readonly beats: number }[];
  readonly beats: number;
};
type DrawnSection = {
  readonly label: string;
  readonly lines: readonly Drawn[];
  readonly bars: number;
  readonly seconds: number;
};

const sumOf = (beats: readonly number[]): number => beats.reduce((sum, one) => sum + one, 0);

/** The first lines of the first sections of a reading, and how long each section is. */
function drawn(sheet: ChordSheet, reading: SheetReading, bar: number): DrawnSection[] {
  const perBeat = 60 / (sheet.tempo ?? DEFAULT_TEMPO);
  return sheet.sections
    .flatMap(({ label, lines }, at): DrawnSection[] => {
      // What is written is the same in all readings.
      if (!lines.some(({ chords }) => chords.some(({ guessed }) => guessed))) return [];
      const own = reading.sections[at]!;
      const played = lines.flatMap(({ chords }, line): Drawn[] =>
        chords.length === 0
          ? []
          : [
              {
                chords: chords.map(({ symbol }, index) => ({ symbol, beats: own[line]![index]! })),
                beats: sumOf(own[line]!),
              },
            ],
      );
      const beats = sumOf(played.map((line) => line.beats));
      return played.length === 0
        ? []
        : [{ label, lines: played.slice(0, MOST_LINES), bars: beats / bar, seconds: beats * perBeat }];
    })
    .slice(0, MOST_SECTIONS);
}

const inBars = (bars: number): string => `${Math.round(bars * 10) / 10} ${bars === 1 ? "bar" : "bars"}`;

/**
 * Asks how a song goes whose sheet says nothing of beats: the likely readings side by side, each drawn to one scale, with the
 * bars and the time its sections take.
 */
export function Readings({
  sheet,
  chosen,
  onChoose,
}: {
  sheet: ChordSheet;
  chosen: number | undefined;
  onChoose: (reading: number) => void;
}) {
  const { readings } = sheet;
  if (readings.length < 2) return null;
  const meter = sheet.meter ?? COMMON_TIME;
  const bar = beatsOfBar(meter, beatUnitOf(meter));
  const shown = readings.map((reading) => drawn(sheet, reading, bar));
  const longest = Math.max(
    ...shown.flatMap((sections) => sections.flatMap(({ lines }) => lines.map(({ beats }) => beats))),
  );
  return (
    <fieldset className="rounded-box border-2 border-primary p-3">
      <legend className="px-1 font-bold">How does it go?</legend>
      <p className="mb-2 text-sm">
        The sheet doesn’t say how long its chords last. Choose what you hear; the first is taken if you choose
        none, and single chords can be put right afterwards.
      </p>
      <div className="grid gap-2 md:grid-cols-2">
        {readings.map((reading, index) => (
          <label
            key={index}
            className="flex min-w-0 cursor-pointer gap-2 rounded-field border border-base-content/40 p-2 has-checked:border-2 has-checked:border-base-content has-checked:bg-base-200"
          >
            <input
              type="radio"
              name="reading"
              className="radio radio-sm mt-1 border-base-content"
              checked={(chosen ?? 0) === index}
              onChange={() => onChoose(index)}
            />
            <span className="min-w-0 flex-1">
              <span className="font-bold">{reading.why}</span>
              {shown[index]!.map(({ label, lines, bars, seconds }, at) => (
                <span key={at} className="mt-1 block text-sm">
                  {label}: {inBars(bars)}, {describeTime(seconds)}
                  {lines.map((line, place) => (
                    <BeatRow key={place} line={line} longest={longest} bar={bar} />
                  ))}
                </span>
              ))}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** A line as a strip: as long as its beats, cut where its chords change, with a mark at every bar. */
function BeatRow({ line, longest, bar }: { line: Drawn; longest: number; bar: number }) {
  const places = line.chords.map((_, index) => sumOf(line.chords.slice(0, index).map(({ beats }) => beats)));
  return (
    <span className="mt-0.5 flex h-6" style={{ width: `${(100 * line.beats) / longest}%` }}>
      {line.chords.map(({ symbol, beats }, index) => (
        <span
          key={index}
          className={`flex min-w-0 items-center overflow-hidden bg-base-300 pl-1 font-mono text-xs ${
            places[index]! % bar === 0 ? "border-l-2 border-base-content" : "border-l border-base-content/50"
          }`}
          style={{ flexGrow: beats, flexBasis: 0 }}
          title={`${symbol}: ${beats} ${beats === 1 ? "beat" : "beats"}`}
        >
          {pretty(symbol)}
        </span>
      ))}
    </span>
  );
}
