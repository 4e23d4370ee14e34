"use client";

import { type FormEvent, useEffect, useMemo, useState } from "react";
import { moveChord, parseChord } from "@/core/chord";
import { type EvidenceSource, evidenceOf, type Question, type Spot, weighEvidence } from "@/core/evidence";
import { LONGEST_SHEET, NOTHING_READ, readSheet, saySheetProblem, versionOfSheet } from "@/core/formats";
import {
  add,
  type Body,
  batch,
  byOrder,
  type Command,
  keysOf,
  Namer,
  orderAtEnd,
  removalOf,
  SOURCE_KINDS,
  type Source,
  type SourceKind,
  set,
  type VersionBody,
  versionRow,
} from "@/core/song";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { makeId, useAct, useCurrentVersion, useOpenSong, useVersion } from "../document";
import { fetchVersion, type ListedVersion } from "./fetch-version";
import { SongTabs } from "./SongTabs";

const KIND_WORDS: Readonly<Record<SourceKind, string>> = {
  sheet: "a sheet",
  file: "a file",
  ear: "heard by ear",
  take: "a live take",
  lesson: "a lesson",
  other: "something else",
};

const MOST_SOURCES = 4;

/** A reading laid against this version: a source's own text, or another version of the song. */
type Reading = { readonly source: EvidenceSource; readonly sourceId: string | null; readonly name: string };

/** Several sources of the song laid against each other, what is in doubt, and what to listen to. */
export function EvidencePage({ versions }: { versions: readonly ListedVersion[] }) {
  const body = useVersion();
  const { version } = useOpenSong();
  const [others, setOthers] = useState<readonly { id: string; name: string; body: VersionBody }[]>([]);
  const [problem, setProblem] = useState("");
  const sources = Object.values(body.sources).sort(byOrder);
  const own = versions.filter((one) => one.id !== version.id);
  const toggle = async (listed: ListedVersion) => {
    if (others.some((one) => one.id === listed.id)) {
      setOthers(others.filter((one) => one.id !== listed.id));
      return;
    }
    try {
      const fetched = await fetchVersion(listed.id);
      setOthers((before) => [...before, { id: listed.id, name: listed.name, body: fetched }]);
      setProblem("");
    } catch {
      setProblem(`“${listed.name}” can’t be fetched: the server doesn’t answer.`);
    }
  };
  const readings = useReadings(body, sources, others);
  return (
    <>
      <h1 className="sr-only">Evidence: sources compared</h1>
      <SongTabs />
      <p className="mb-4 max-w-3xl">
        Sheets, takes and ears disagree. Lay them against this version, bar by bar: where all agree nothing
        needs a look; where they don’t, listen to the bars listed and say what is right.
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
        <div>
          {readings.length < 2 ? (
            <p className="rounded-box bg-base-200 p-4">
              Add a second source: paste another sheet of this song, or choose another version of it.
            </p>
          ) : (
            <Chart readings={readings} />
          )}
        </div>
        <aside className="flex flex-col gap-4">
          <section aria-label="Sources" className="rounded-box bg-base-200 p-4">
            <h2 className="mb-2">Sources</h2>
            <ul className="flex flex-col gap-2">
              <li>
                <strong>{versionRow(body).name}</strong>, the version open here
              </li>
              {sources.map((source) => (
                <SourceRow
                  key={source.id}
                  source={source}
                  used={readings.some((one) => one.sourceId === source.id)}
                />
              ))}
              {own.map((listed) => (
                <li key={listed.id}>
                  <label className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox checkbox-sm"
                      checked={others.some((one) => one.id === listed.id)}
                      onChange={() => toggle(listed)}
                    />
                    {listed.name}, another version
                  </label>
                </li>
              ))}
            </ul>
            {problem && (
              <p role="alert" className="text-error">
                {problem}
              </p>
            )}
          </section>
          <NewSource />
        </aside>
      </div>
    </>
  );
}

/** The version and every source with a text of its own, played out in the version's key. */
function useReadings(
  body: VersionBody,
  sources: readonly Source[],
  others: readonly { id: string; name: string; body: VersionBody }[],
): Reading[] {
  return useMemo(() => {
    const key = keysOf(body).sounding;
    const mine: Reading = {
      source: evidenceOf(body, versionRow(body).name),
      sourceId: null,
      name: versionRow(body).name,
    };
    const fromTexts = sources.flatMap((source): Reading[] => {
      if (source.text.trim() === "") return [];
      let count = 0;
      const sheet = readSheet(source.text);
      const made = versionOfSheet(sheet, { name: source.name, kind: source.kind }, () => `e${count++}`);
      return [{ source: evidenceOf(made, source.name, key), sourceId: source.id, name: source.name }];
    });
    const fromVersions = others.map(
      (other): Reading => ({
        source: evidenceOf(other.body, other.name, key),
        sourceId: null,
        name: other.name,
      }),
    );
    return [mine, ...fromTexts, ...fromVersions].slice(0, MOST_SOURCES);
  }, [body, sources, others]);
}

function SourceRow({ source, used }: { source: Source; used: boolean }) {
  const act = useAct();
  const current = useCurrentVersion();
  const count = Object.values(useVersion().chords).filter((chord) => chord.sourceId === source.id).length;
  return (
    <li>
      <strong>{source.name}</strong>, {KIND_WORDS[source.kind]}
      <span className="block text-sm">
        {count > 0 && `${count} chords of this version come from it. `}
        {used
          ? "Laid against this version."
          : source.text === ""
            ? "Its text is not kept."
            : "Four are laid at most."}{" "}
        <button
          type="button"
          className="link"
          onClick={() =>
            act(batch("Remove a source", removalOf(current() as unknown as Body, "sources", source.id)))
          }
        >
          Remove
        </button>
      </span>
    </li>
  );
}

function NewSource() {
  const act = useAct();
  const current = useCurrentVersion();
  const [name, setName] = useState("");
  const [kind, setKind] = useState<SourceKind>("sheet");
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const put = (event: FormEvent) => {
    event.preventDefault();
    const sheet = readSheet(text);
    const found = sheet.problems.find((one) => NOTHING_READ.has(one.code) || one.code === "no-chords");
    if (found || text.length > 60_000)
      return setProblem(
        found ? saySheetProblem(found) : "A source may have 60,000 characters. Paste this song only.",
      );
    setProblem("");
    const order = orderAtEnd(Object.values(current().sources));
    const row = { id: makeId(), order, name: name.trim() || sheet.title || KIND_WORDS[kind], kind };
    act(add("sources", { ...row, text: text.replaceAll(/\r\n?/gu, "\n") }));
    setText("");
    setName("");
  };
  return (
    <form
      aria-label="Another source"
      className="flex flex-col gap-3 rounded-box bg-base-200 p-4"
      onSubmit={put}
    >
      <h2>Another source</h2>
      <label className="flex flex-col gap-1 text-sm">
        Where it is from
        <input
          className="input input-sm"
          placeholder="Tobin’s sheet"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <SelectField
        label="What it is"
        value={kind}
        options={SOURCE_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        onSet={(value) => setKind(value as SourceKind)}
      />
      <label className="flex flex-col gap-1 text-sm">
        Its chords, pasted or typed
        <textarea
          className="textarea h-40 font-mono text-sm"
          spellCheck={false}
          maxLength={LONGEST_SHEET}
          placeholder={"[Verse]\n| G | C | D | G |"}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {problem && (
        <p role="alert" className="text-sm text-error">
          {problem}
        </p>
      )}
      <button type="submit" className="btn btn-sm self-start">
        Lay it against this version
      </button>
    </form>
  );
}

/** Writes a chord that sounds as said into the version, in the key it is written in. */
function settle(
  body: VersionBody,
  chordIds: readonly string[],
  symbol: string,
  sourceId: string | null,
): Command {
  const { written, sounding } = keysOf(body);
  const chord = parseChord(symbol);
  const asWritten = chord.ok ? moveChord(chord.value, sounding, written) : symbol;
  const namer = new Namer(body, null);
  return batch(
    "Settle a chord",
    chordIds.flatMap((id) => {
      const row = body.chords[id];
      if (!row) return [];
      const same = namer.name(row.symbol).sounding === symbol;
      return [set("chords", id, same ? { sure: true } : { symbol: asWritten, sure: true, sourceId })];
    }),
  );
}

function Chart({ readings }: { readings: readonly Reading[] }) {
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
          : `${questions.length === 1 ? "1 difference" : `${questions.length} differences`}; listening to ${listen.length === 1 ? "1 bar" : `${listen.length} bars`} settles them: ${listen.map((column) => sayColumn(readings, columns[column]!.bars)).join(", ")}.`}{" "}
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
        <ul aria-label="Differences" className="mb-4 flex flex-col">
          {questions.map((one, index) => (
            <li
              key={JSON.stringify(one.says)}
              className="flex flex-wrap items-center gap-2 border-b border-base-300 py-1"
            >
              <button
                type="button"
                className="link text-left"
                aria-expanded={open === index}
                onClick={() => setOpen(open === index ? null : index)}
              >
                {one.says.map((says) => (says === null ? "nothing" : pretty(says))).join(" / ")}
              </button>
              <span className="text-sm">
                {Math.round(one.beats * 100) / 100} beats in all
                {one.twoNames && "; the same tones, two names: the bass decides"}
              </span>
              {open === index && (
                <Answer
                  question={one}
                  readings={readings}
                  onSettle={(symbol, sourceId) => {
                    const ids = idsOf(columns, index);
                    act(settle(current(), ids, symbol, sourceId));
                  }}
                />
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="overflow-x-auto">
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
                <th
                  scope="row"
                  className="sticky left-0 bg-base-100 pr-3 text-left text-sm whitespace-nowrap"
                >
                  {reading.name}
                </th>
                {columns.map((column, index) => (
                  <td
                    key={index}
                    data-doubt={column.spots.some((spot) => spot.question !== null)}
                    data-open={question?.columns.includes(index) ?? false}
                  >
                    {column.bars[row] === null ? (
                      <span className="text-sm italic">
                        {column.spots.some((spot) => spot.question !== null) && "no bar"}
                      </span>
                    ) : (
                      shortBar(column.spots, row)
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
      </div>
    </section>
  );
}

const idsOf = (columns: readonly { spots: readonly Spot[] }[], question: number): string[] => [
  ...new Set(
    columns.flatMap((column) =>
      column.spots.flatMap((spot) =>
        spot.question === question && spot.chordIds[0] ? [spot.chordIds[0]] : [],
      ),
    ),
  ),
];

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
          {pretty(symbol)} is right ({reading.name})
        </button>
      ))}
    </span>
  );
}

function shortBar(spots: readonly Spot[], row: number): string {
  const names = spots.map((spot) => spot.says[row] ?? "–");
  return names
    .filter((name, index) => index === 0 || name !== names[index - 1])
    .map(pretty)
    .join(" ");
}

/** "bar 12 (Chorus)": a column by the first source that has a bar there. */
function sayColumn(readings: readonly Reading[], bars: readonly (number | null)[]): string {
  const row = bars.findIndex((bar) => bar !== null);
  const bar = readings[row]?.source.bars[bars[row] ?? 0];
  return bar ? `bar ${bar.number} (${bar.section})` : "";
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
