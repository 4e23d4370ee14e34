"use client";

import Link from "next/link";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { keyAct } from "@/ui/keys";
import { Toggles } from "@/ui/Toggles";
import { useReady } from "@/ui/use-ready";
import { Guesses } from "./Guesses";
import { Readings } from "./Readings";
import { SourceView } from "./SourceView";
import { Understood } from "./Understood";
import { useNewSong } from "./use-new-song";

/** Ways to write beats, repeats, capos and forms, each as it is typed. */
const UNDERSTOOD = [
  "A for 4",
  "A (4)",
  "A 4 | D 4",
  "A . . . D . . .",
  "| A | D / E / |",
  "Chorus x2: D A",
  "Capo 3, G shapes",
  "twelve-bar in A",
] as const;

/** Paste, type or drop a song; look at what was understood, put guesses right, and make it. */
export function NewSong() {
  const ready = useReady();
  const [view, setView] = useState<"source" | "sheet">("source");
  const area = useRef<HTMLTextAreaElement>(null);
  const jump = useRef<number | null>(null);
  const song = useNewSong(() => setView("sheet"));
  const { source, sheet, read, isReading, problem, adjustments, adjust, take, takeFile } = song;

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

  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) void takeFile(file);
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
      <p className="mt-1 mb-2 max-w-3xl">
        Paste a sheet as you find it, type it, or drop a file: chords over words, ChordPro, MusicXML or MIDI.
        Nothing of the text is lost; all of it can be changed afterwards.
      </p>
      <p className="mb-4 max-w-3xl text-sm leading-relaxed">
        It understands{" "}
        {UNDERSTOOD.map((one) => (
          <span key={one}>
            <code className="rounded-field bg-base-200 px-1 whitespace-pre">{one}</code>{" "}
          </span>
        ))}
        and headings, capo, key and tempo words in six languages.
      </p>
      <Head song={song} view={view} onView={setView} />
      {problem && (
        <p role="alert" className="mb-3 font-bold text-error">
          {problem}
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
      ) : isReading && sheet.sections.length === 0 ? (
        <p aria-live="polite">Reading it…</p>
      ) : (
        <div className="flex flex-col gap-4">
          <Readings sheet={read} chosen={adjustments.reading} onChoose={(reading) => adjust({ reading })} />
          <Guesses sheet={sheet} adjustments={adjustments} onChange={adjust} />
          <Understood
            sheet={sheet}
            read={read}
            adjustments={adjustments}
            onChange={adjust}
            onReplace={({ line, column, text }, by) => {
              const lines = source.text.split("\n");
              const at = lines[line - 1]?.indexOf(text, column - 1) ?? -1;
              if (at < 0) return;
              lines[line - 1] =
                `${lines[line - 1]!.slice(0, at)}${by}${lines[line - 1]!.slice(at + text.length)}`;
              take(lines.join("\n"));
            }}
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

type Shown = "source" | "sheet";

/** Its title, what is shown of it, and the act that makes it; it stays in sight. */
function Head({
  song: { sheet, title, setTitle, isEmpty, busy, make },
  view,
  onView,
}: {
  song: ReturnType<typeof useNewSong>;
  view: Shown;
  onView: (view: Shown) => void;
}) {
  const ready = useReady();
  return (
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
          { value: "sheet", label: "What was understood", disabled: isEmpty },
        ]}
        onSet={onView}
      />
      <span className="pb-2 text-sm max-md:hidden">
        <kbd className="kbd kbd-sm">F2</kbd> changes over
      </span>
      <button type="button" className="btn btn-primary" disabled={busy || !ready} onClick={() => void make()}>
        {busy ? "Making it…" : "Make this song"}
      </button>
    </div>
  );
}

function selectLine(area: HTMLTextAreaElement, line: number): void {
  const lines = area.value.split("\n");
  const from = lines.slice(0, line - 1).reduce((sum, text) => sum + text.length + 1, 0);
  area.focus();
  area.setSelectionRange(from, from + (lines[line - 1]?.length ?? 0));
  area.scrollTop = ((line - 4) / lines.length) * area.scrollHeight;
}
