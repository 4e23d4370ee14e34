"use client";

import type { RefObject } from "react";
import { type ChordSheet, LONGEST_SHEET } from "@/core/formats";
import type { Source } from "./use-new-song";

const HINT = `Title: …
Key: …

[Verse 1]
G            C
Words of the line
`;

/** The text of a song as it was pasted or typed, or the file that is none. */
export function SourceView({
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
  area: RefObject<HTMLTextAreaElement | null>;
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
