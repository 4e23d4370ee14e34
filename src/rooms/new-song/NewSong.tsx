"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { type DragEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { type Called, call, makeSong } from "@/api";
import {
  type Adjustments,
  adjustSheet,
  type ChordSheet,
  decodeText,
  describeSheetProblem,
  isPack,
  LONGEST_SHEET,
  NOTHING_READ,
  readOptionsOf,
  readSongFile,
  readSongText,
  titleOfFile,
} from "@/core/formats";
import { toBase64 } from "@/ui/base64";
import { keyAct } from "@/ui/keys";
import { Toggles } from "@/ui/Toggles";
import { useReady } from "@/ui/use-ready";
import { Guesses } from "./Guesses";
import { Understood } from "./Understood";

const HINT = `Title: …
Key: …

[Verse 1]
G            C
Words of the line
`;

/** What stands to be made a song: a text, or a file that is no text. */
type Source = {
  readonly text: string;
  readonly file: { readonly name: string; readonly bytes: Uint8Array } | null;
};

function readSource(source: Source, adjustments: Adjustments): { sheet: ChordSheet; problem: string } {
  const options = readOptionsOf(adjustments);
  if (!source.file) return { sheet: readSongText(source.text, options).sheet, problem: "" };
  const read = readSongFile(source.file.name, source.file.bytes, options);
  return read.ok
    ? { sheet: read.value.sheet, problem: "" }
    : { sheet: readSongText("").sheet, problem: read.problem };
}

/** Paste, type or drop a song; look at what was understood, put guesses right, and make it. */
export function NewSong() {
  const router = useRouter();
  const ready = useReady();
  const [source, setSource] = useState<Source>({ text: "", file: null });
  const [adjustments, setAdjustments] = useState<Adjustments>({});
  const [title, setTitle] = useState("");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [view, setView] = useState<"source" | "sheet">("source");
  const area = useRef<HTMLTextAreaElement>(null);
  const jump = useRef<number | null>(null);
  const deferred = useDeferredValue(source);
  const read = useMemo(() => readSource(deferred, adjustments), [deferred, adjustments]);
  const sheet = useMemo(() => adjustSheet(read.sheet, adjustments), [read, adjustments]);
  const empty = source.file === null && source.text.trim() === "";

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (keyAct("new song", event) !== "switch") return;
      event.preventDefault();
      setView((now) => (now === "source" ? "sheet" : "source"));
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  useEffect(() => {
    if (view !== "source" || jump.current === null || !area.current) return;
    selectLine(area.current, jump.current);
    jump.current = null;
  }, [view]);

  const change = (fields: Partial<Adjustments>) => setAdjustments((before) => ({ ...before, ...fields }));
  /** A text too long for a sheet is not taken over: the field stays as it was. */
  const take = (typed: string) => {
    const found = typed.length > LONGEST_SHEET ? readSongText(typed).sheet.problems[0] : undefined;
    setProblem(found ? `${describeSheetProblem(found)} The field was left as it was.` : "");
    if (found) return false;
    setSource({ text: typed, file: null });
    return true;
  };
  const takeFile = async (file: File) => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (isPack(file.name, bytes))
      return setProblem(`${file.name} is a pack of files. Bring it in under “Bring many files in”.`);
    const found = readSongFile(file.name, bytes);
    if (!found.ok) return setProblem(found.problem);
    const fatal = found.value.sheet.problems.find((one) => one.code === "bad-file");
    if (fatal) return setProblem(describeSheetProblem(fatal));
    setAdjustments({});
    setProblem("");
    const isText = found.value.format === "chordpro" || found.value.format === "chords-over-words";
    if (isText && !take(decodeText(bytes))) return;
    if (!isText) setSource({ text: "", file: { name: file.name, bytes } });
    if (!found.value.sheet.title) setTitle(titleOfFile(file.name));
    setView("sheet");
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) void takeFile(file);
  };
  const make = async () => {
    const now = readSource(source, adjustments);
    const fatal = now.sheet.problems.find((one) => NOTHING_READ.has(one.code));
    if (now.problem || fatal) return setProblem(now.problem || describeSheetProblem(fatal!));
    setBusy(true);
    setProblem("");
    const content = source.file
      ? { name: source.file.name, base64: toBase64(source.file.bytes) }
      : { text: source.text };
    const made = await call(makeSong, { sent: { ...content, title, adjustments } });
    if (made.ok) return router.push(`/song/${made.answer.versionId}`);
    setProblem(whyNotMade(made));
    setBusy(false);
  };
  return (
    <main
      className="mx-auto max-w-5xl px-4 py-6"
      onDragOver={(event) => event.preventDefault()}
      onDrop={onDrop}
    >
      <p className="mb-2">
        <Link className="link" href="/">
          Back to the shelf
        </Link>
      </p>
      <h1>Make a song</h1>
      <p className="mt-1 mb-4 max-w-3xl">
        Paste a sheet as you find it, type it, or drop a file: chords over words, ChordPro, MusicXML or MIDI.
        Nothing of the text is lost; all of it can be changed afterwards.
      </p>
      <div className="sticky top-0 z-10 -mx-4 mb-4 flex flex-wrap items-end gap-3 border-b border-base-300 bg-base-100 px-4 py-2">
        <label className="flex min-w-56 flex-1 flex-col gap-1 text-sm">
          <span>Title {sheet.title && title === "" && `(found: ${sheet.title})`}</span>
          <input
            className="input w-full"
            value={title}
            readOnly={!ready}
            maxLength={200}
            placeholder={sheet.title || "Untitled song"}
            onChange={(event) => setTitle(event.target.value)}
          />
        </label>
        <Toggles
          label="What is shown"
          hideLabel
          size="md"
          value={view}
          options={[
            { value: "source", label: "Its text" },
            { value: "sheet", label: "What was understood", disabled: empty },
          ]}
          onSet={setView}
        />
        <span className="pb-2 text-sm max-md:hidden">
          <kbd className="kbd kbd-sm">F2</kbd> changes over
        </span>
        <button type="button" className="btn btn-primary" disabled={busy || !ready} onClick={make}>
          {busy ? "Making it…" : "Make this song"}
        </button>
      </div>
      {(problem || read.problem) && (
        <p role="alert" className="mb-3 font-bold text-error">
          {problem || read.problem}
        </p>
      )}
      {view === "source" ? (
        <SourceView
          source={source}
          area={area}
          ready={ready}
          sheet={sheet}
          onTake={take}
          onPasted={() => setView("sheet")}
          onFile={takeFile}
          onLook={() => setView("sheet")}
        />
      ) : (
        <div className="flex flex-col gap-4">
          <Guesses sheet={sheet} adjustments={adjustments} onChange={change} />
          <Understood
            sheet={sheet}
            read={read.sheet}
            adjustments={adjustments}
            onChange={change}
            onShowLine={
              source.file
                ? null
                : (line) => {
                    jump.current = line;
                    setView("source");
                  }
            }
          />
        </div>
      )}
    </main>
  );
}

function selectLine(area: HTMLTextAreaElement, line: number): void {
  const lines = area.value.split("\n");
  const from = lines.slice(0, line - 1).reduce((sum, text) => sum + text.length + 1, 0);
  area.focus();
  area.setSelectionRange(from, from + (lines[line - 1]?.length ?? 0));
  area.scrollTop = ((line - 4) / lines.length) * area.scrollHeight;
}

function SourceView({
  source,
  area,
  ready,
  sheet,
  onTake,
  onPasted,
  onFile,
  onLook,
}: {
  source: Source;
  area: React.RefObject<HTMLTextAreaElement | null>;
  ready: boolean;
  sheet: ChordSheet;
  onTake: (text: string) => boolean;
  onPasted: () => void;
  onFile: (file: File) => void;
  onLook: () => void;
}) {
  const chords = sheet.sections.reduce(
    (sum, section) => sum + section.lines.reduce((count, line) => count + line.chords.length, 0),
    0,
  );
  return (
    <div className="flex flex-col gap-3">
      {source.file ? (
        <p className="rounded-box bg-base-200 p-4">
          {source.file.name} ({Math.ceil(source.file.bytes.length / 1000)} kB) is no text. Under “What was
          understood” stands what was read from it.
        </p>
      ) : (
        <label className="flex flex-col gap-1">
          The sheet
          <textarea
            ref={area}
            className="textarea h-112 w-full font-mono leading-snug"
            value={source.text}
            readOnly={!ready}
            placeholder={HINT}
            spellCheck={false}
            onChange={(event) => onTake(event.target.value)}
            onPaste={(event) => {
              const pasted = event.clipboardData.getData("text");
              if (pasted.length > LONGEST_SHEET) {
                event.preventDefault();
                onTake(pasted);
              } else if (source.text.trim() === "" && pasted.trim().includes("\n") && onTake(pasted)) {
                event.preventDefault();
                onPasted();
              }
            }}
          />
        </label>
      )}
      <div className="flex flex-wrap items-center gap-4">
        <label className="flex items-center gap-2 text-sm">
          Or open a file
          <input
            type="file"
            className="file-input file-input-sm"
            onChange={(event) => event.target.files?.[0] && onFile(event.target.files[0])}
          />
        </label>
        {sheet.sections.length > 0 && (
          <p aria-live="polite" className="text-sm">
            Understood so far:{" "}
            {sheet.sections.length === 1 ? "1 section" : `${sheet.sections.length} sections`},{" "}
            {chords === 1 ? "1 chord" : `${chords} chords`}
            {sheet.problems.length > 0 && `, ${sheet.problems.length} to look at`}.{" "}
            <button type="button" className="link font-bold" onClick={onLook}>
              Look at it
            </button>
          </p>
        )}
      </div>
      <p className="text-sm">A sheet may have {LONGEST_SHEET.toLocaleString("en")} characters.</p>
    </div>
  );
}

/** Why no song was made, for who typed it: it all stays on the screen. */
function whyNotMade(made: Extract<Called<unknown, unknown>, { ok: false }>): string {
  if (made.status === "away")
    return "The server can’t be reached. The text stays here; try again when it answers.";
  return made.status === 507
    ? "The song can’t be written: the disk may be full, or the data folder read-only. It stays here; make room and try again."
    : made.message;
}
