"use client";

import { useEffect, useMemo, useState } from "react";
import {
  type EvidenceBar,
  type EvidenceSource,
  type Question,
  type Spot,
  settleChords,
  type WeighedColumn,
  weighEvidence,
} from "@/core/evidence";
import { batch, set } from "@/core/song/edit";
import { tellBars } from "@/core/song/moments";
import type { Namer } from "@/core/song/names";
import { useAct, useCurrentVersion, useNames } from "../open";

/** A reading laid against this version: a source's own text, or another version of the song. */
export type Reading = {
  readonly source: EvidenceSource;
  readonly sourceId: string | null;
  readonly name: string;
};

/** Every bar of the sources side by side, what is in doubt, and what to listen to. */
export function EvidenceChart({ readings }: { readings: readonly Reading[] }) {
  const act = useAct();
  const current = useCurrentVersion();
  const [open, setOpen] = useState<number | null>(null);
  const evidence = useMemo(() => weighEvidence(readings.map((one) => one.source)), [readings]);
  const { columns, questions, listen } = evidence;
  useEffect(() => {
    if (open !== null && open >= questions.length) setOpen(null);
  }, [open, questions.length]);
  const doubted = [
    ...new Set(
      columns.flatMap((column) =>
        column.spots.flatMap((spot) => (spot.question === null ? [] : (spot.chordIds[0] ?? []))),
      ),
    ),
  ];
  const markDoubted = () =>
    act(
      batch(
        "Mark chords in doubt",
        doubted.map((id) => set("chords", id, { sure: false })),
      ),
    );
  const question = open === null ? null : questions[open];
  return (
    <section aria-label="Evidence chart">
      <p aria-live="polite">
        <strong>{Math.round(evidence.agreement * 100)} % of the beats agree.</strong>{" "}
        {questions.length === 0
          ? "Nothing is left to settle."
          : `${questions.length === 1 ? "1 difference" : `${questions.length} differences`}; listening to ${listen.length === 1 ? "1 bar" : `${listen.length} bars`} settles them: ${listen.map((column) => describeColumn(readings, columns[column]!.bars)).join(", ")}.`}{" "}
        {!evidence.laid.exact && "The sources are so different that a better laying may exist."}
      </p>
      {doubted.length > 0 && (
        <p className="mt-1 mb-3">
          <button type="button" className="btn btn-sm" onClick={markDoubted}>
            Mark these chords as not sure
          </button>{" "}
          <span className="text-sm">They carry a “?” wherever they stand, on stage too.</span>
        </p>
      )}
      {questions.length > 0 && (
        <p className="text-sm">Each says: {readings.map((one) => one.name).join(" / ")}</p>
      )}
      {questions.length > 0 && (
        <ul aria-label="Differences" className="mb-4 flex flex-col">
          {questions.map((one, index) => (
            <Difference
              key={JSON.stringify(one.says)}
              question={one}
              readings={readings}
              isOpen={open === index}
              onOpen={(opens) => setOpen(opens ? index : null)}
              onSettle={(symbol, sourceId) => {
                const places = placesOf(columns, index, readings[0]!.source.bars);
                act(settleChords(current(), places, symbol, sourceId));
              }}
            />
          ))}
        </ul>
      )}
      <BarTable readings={readings} columns={columns} listen={listen} open={question?.columns ?? []} />
    </section>
  );
}

/** One difference between the sources; opened, it can be settled. */
function Difference({
  question,
  readings,
  isOpen,
  onOpen,
  onSettle,
}: {
  question: Question;
  readings: readonly Reading[];
  isOpen: boolean;
  onOpen: (open: boolean) => void;
  onSettle: (symbol: string, sourceId: string | null) => void;
}) {
  const namer = useNames()();
  return (
    <li className="flex flex-wrap items-center gap-2 border-b border-base-300 py-1">
      <button type="button" className="link text-left" aria-expanded={isOpen} onClick={() => onOpen(!isOpen)}>
        {question.says.map((says) => (says === null ? "nothing" : namer.readSounding(says))).join(" / ")}
      </button>
      <span className="text-sm">
        {Math.round(question.beats * 100) / 100} beats in all
        {question.twoNames && "; the same tones, two names: the bass decides"}
      </span>
      {isOpen && <Answer question={question} readings={readings} onSettle={onSettle} />}
    </li>
  );
}

/**
 * Every bar of each source, side by side.
 * @param listen the columns that are worth listening to
 * @param open the columns of the difference that is opened
 */
function BarTable({
  readings,
  columns,
  listen,
  open,
}: {
  readings: readonly Reading[];
  columns: readonly WeighedColumn[];
  listen: readonly number[];
  open: readonly number[];
}) {
  const namer = useNames()();
  return (
    <section
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keys
      tabIndex={0}
      aria-label="Sources bar by bar"
      className="overflow-x-auto"
    >
      <table className="evidence-chart">
        <caption className="sr-only">Every bar of each source, side by side</caption>
        <thead>
          <tr>
            <th scope="col" className="sticky left-0 bg-base-100 pr-3 text-left">
              Source
            </th>
            {columns.map((_, index) => (
              <th key={index} scope="col" className="text-left text-xs font-normal whitespace-nowrap">
                {headOf(readings, columns, index)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {readings.map((reading, row) => (
            <tr key={reading.name + row}>
              <th scope="row" className="sticky left-0 bg-base-100 pr-3 text-left text-sm whitespace-nowrap">
                {reading.name}
              </th>
              {columns.map((column, index) => (
                <td
                  key={index}
                  data-doubt={column.spots.some((spot) => spot.question !== null)}
                  data-open={open.includes(index)}
                >
                  {column.bars[row] === null ? (
                    <span className="text-sm italic">
                      {column.spots.some((spot) => spot.question !== null) && "no bar"}
                    </span>
                  ) : (
                    shortBar(column.spots, row, namer)
                  )}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row" className="sticky left-0 bg-base-100 pr-3 text-left text-sm">
              Listen
            </th>
            {columns.map((_, index) => (
              <td key={index}>{listen.includes(index) ? "here" : ""}</td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

/** The chords of this version a difference is about, each with the key shift of the place it stands in. */
function placesOf(
  columns: readonly WeighedColumn[],
  question: number,
  bars: readonly EvidenceBar[],
): { chordId: string; shift: number }[] {
  const found = new Map<string, number>();
  for (const { bars: column, spots } of columns)
    for (const { question: asked, chordIds } of spots)
      if (asked === question && chordIds[0]) found.set(chordIds[0], bars[column[0] ?? -1]?.shift ?? 0);
  return [...found].map(([chordId, shift]) => ({ chordId, shift }));
}

/** What each source says at a difference, to be taken as right. */
function Answer({
  question,
  readings,
  onSettle,
}: {
  question: Question;
  readings: readonly Reading[];
  onSettle: (symbol: string, sourceId: string | null) => void;
}) {
  const namer = useNames()();
  const here = question.says[0];
  const choices = question.says.flatMap((symbol, index) =>
    symbol === null ? [] : [{ symbol, reading: readings[index]! }],
  );
  const distinct = choices.filter(
    (one, index) => choices.findIndex((other) => other.symbol === one.symbol) === index,
  );
  if (here === null || here === undefined)
    return <span className="w-full text-sm">This version has no chord there. Put it in on the sheet.</span>;
  return (
    <span className="flex w-full flex-wrap gap-2 pb-1">
      {distinct.map(({ symbol, reading }) => (
        <button
          key={symbol}
          type="button"
          className="btn btn-sm"
          onClick={() => onSettle(symbol, reading.sourceId)}
        >
          {namer.readSounding(symbol)} is right ({reading.name})
        </button>
      ))}
    </span>
  );
}

function shortBar(spots: readonly Spot[], row: number, namer: Namer): string {
  const names = spots.map((spot) => spot.says[row] ?? "–");
  return names
    .filter((name, index) => index === 0 || name !== names[index - 1])
    .map((name) => namer.readSounding(name))
    .join(" ");
}

/** "bar 12 (Chorus)": a column by the first source that has a bar there. */
function describeColumn(readings: readonly Reading[], bars: readonly (number | null)[]): string {
  const row = bars.findIndex((bar) => bar !== null);
  const bar = readings[row]?.source.bars[bars[row] ?? 0];
  return bar ? `${tellBars(String(bar.number), "the song")} (${bar.section})` : "";
}

function headOf(
  readings: readonly Reading[],
  columns: readonly { bars: readonly (number | null)[] }[],
  index: number,
): string {
  const bar = readings[0]!.source.bars[columns[index]!.bars[0] ?? -1];
  if (!bar) return "";
  return bar.starts ? `${bar.number} ${bar.section}` : String(bar.number);
}
