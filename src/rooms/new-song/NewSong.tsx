"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
import {
  type ChordSheet,
  LONGEST_SHEET,
  readChordText,
  saySheetProblem,
  versionOfSheet,
} from "@/core/formats";
import { beatsOfBar, beatUnitOf } from "@/core/rhythm";
import { outlineOf, sectionSums, versionRow } from "@/core/song";
import { piecesOf } from "@/ui/pieces";
import { sayKey } from "@/ui/pretty";
import { SectionTag } from "@/ui/SectionTag";
import { SungLine } from "@/ui/SungLine";
import { useReady } from "@/ui/use-ready";
import { soundingName } from "../song/SectionCard";

const HINT = `Title: …
Key: …

[Verse 1]
G            C
Words of the line
`;

/** Paste or type a song at left; at right what was understood of it. */
export function NewSong() {
  const router = useRouter();
  const ready = useReady();
  const [text, setText] = useState("");
  const [title, setTitle] = useState("");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const deferred = useDeferredValue(text);
  const sheet = useMemo(() => readChordText(deferred), [deferred]);
  /** A text too long for a sheet is not taken over: the field stays as it was. */
  const take = (typed: string) => {
    const found = typed.length > LONGEST_SHEET ? readChordText(typed).problems[0] : undefined;
    setProblem(found ? `${saySheetProblem(found)} The field was left as it was.` : "");
    if (!found) setText(typed);
  };
  const make = async () => {
    const fatal = readChordText(text).problems.find((one) => one.code === "empty" || one.code === "too-long");
    if (fatal) return setProblem(saySheetProblem(fatal));
    setBusy(true);
    setProblem("");
    try {
      const response = await fetch("/api/songs", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ text, title }),
      });
      const answer = await response.json();
      if (response.ok) return router.push(`/song/${answer.versionId}`);
      setProblem(answer.error.message);
    } catch {
      setProblem("The server can’t be reached. The text stays here; try again when it answers.");
    }
    setBusy(false);
  };
  return (
    <main className="mx-auto max-w-6xl px-4 py-6">
      <p className="mb-2">
        <Link className="link" href="/">
          Back to the shelf
        </Link>
      </p>
      <h1>Make a song</h1>
      <p className="mt-1 mb-4 max-w-3xl">
        Paste a sheet with chords over its words, as you find them: headings in brackets or with a colon, bar
        lines where you have them. Or type it. Nothing of the text is lost; all of it can be changed
        afterwards.
      </p>
      <div className="grid gap-6 lg:grid-cols-2">
        <div className="flex flex-col gap-3">
          <label className="flex flex-col gap-1">
            <span>
              Title {sheet.title && title === "" && <span className="text-sm">(found: {sheet.title})</span>}
            </span>
            <input
              className="input w-full"
              value={title}
              readOnly={!ready}
              maxLength={200}
              placeholder={sheet.title || "Untitled song"}
              onChange={(event) => setTitle(event.target.value)}
            />
          </label>
          <label className="flex flex-col gap-1">
            The sheet
            <textarea
              className="textarea h-96 w-full font-mono leading-snug"
              value={text}
              readOnly={!ready}
              placeholder={HINT}
              spellCheck={false}
              onChange={(event) => take(event.target.value)}
              onPaste={(event) => {
                const pasted = event.clipboardData.getData("text");
                if (pasted.length <= LONGEST_SHEET) return;
                event.preventDefault();
                take(pasted);
              }}
            />
          </label>
          {problem && (
            <p role="alert" className="font-bold text-error">
              {problem}
            </p>
          )}
          <p>
            <button type="button" className="btn btn-primary" disabled={busy || !ready} onClick={make}>
              {busy ? "Making it…" : "Make this song"}
            </button>
          </p>
        </div>
        <Understood sheet={sheet} />
      </div>
    </main>
  );
}

/** Longer sheets are previewed in part: the song itself takes all of it. */
const MOST_SECTIONS_SHOWN = 12;

function Understood({ sheet }: { sheet: ChordSheet }) {
  const shown = useMemo(() => {
    let count = 0;
    const body = versionOfSheet(
      { ...sheet, sections: sheet.sections.slice(0, MOST_SECTIONS_SHOWN), form: [] },
      { name: "", kind: "sheet" },
      () => `p${count++}`,
    );
    const outline = outlineOf(body);
    const version = versionRow(body);
    // The preview shows the chords as they are written, whatever capo the sheet names.
    return {
      version,
      written: { ...version, key: version.writtenKey },
      outline,
      sums: sectionSums(body, outline),
    };
  }, [sheet]);
  const { version } = shown;
  const empty = sheet.problems.some((problem) => problem.code === "empty");
  const meter = { beats: version.meterBeats, unit: version.meterUnit };
  return (
    <section
      aria-label="What was understood"
      aria-live="polite"
      className="min-w-0 rounded-box bg-base-200 p-4"
    >
      <h2>What was understood</h2>
      {empty ? (
        <p className="mt-2">
          The song will stand here as you paste or type: its sections, each chord under its word, and how long
          it lasts.
        </p>
      ) : (
        <>
          <p className="mt-1">
            {sheet.key
              ? `${sayKey(sheet.key)}${sheet.keySure ? "" : " (a guess from the chords)"}`
              : "No key found"}
            , {version.meterBeats}/{version.meterUnit}
            {sheet.meter ? "" : " (taken, none is given)"}, {version.bpm} a minute
            {sheet.tempo ? "" : " (taken, none is given)"}
            {sheet.capo > 0 &&
              `; the chords are shapes behind capo ${sheet.capo}, so it sounds in ${sayKey(version.key)}`}
            .
          </p>
          <ul className="my-2 list-disc pl-5">
            {sheet.problems.slice(0, 12).map((problem) => (
              <li key={`${problem.code} ${problem.line} ${problem.column}`}>{saySheetProblem(problem)}</li>
            ))}
            {sheet.problems.length > 12 && <li>and {sheet.problems.length - 12} more places to look at</li>}
          </ul>
          {shown.outline.sections.map(({ section, lines }) => (
            <div key={section.id} className="mt-3">
              <SectionTag label={section.label} kind={section.kind} />
              {lines.slice(0, 16).map((line, index) => (
                <SungLine
                  key={line.line.id}
                  className="mt-1"
                  beatsInBar={beatsOfBar(meter, beatUnitOf(meter))}
                  pieces={piecesOf(
                    line,
                    shown.sums.get(section.id)?.lines[index],
                    version.beatUnit,
                    (symbol) => soundingName(shown.written, symbol),
                  )}
                />
              ))}
              {lines.length > 16 && <p className="text-sm">and {lines.length - 16} more lines</p>}
            </div>
          ))}
          {sheet.sections.length > MOST_SECTIONS_SHOWN && (
            <p className="mt-3">and {sheet.sections.length - MOST_SECTIONS_SHOWN} more sections</p>
          )}
        </>
      )}
      <p className="mt-4 text-sm">
        A sheet may have {LONGEST_SHEET.toLocaleString("en")} characters. Dotted lines are guessed beats: one
        chord a bar, two on a line half a bar each.
      </p>
    </section>
  );
}
