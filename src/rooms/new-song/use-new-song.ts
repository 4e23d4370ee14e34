"use client";

import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
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

/** What stands to be made a song: a text, or a file that is no text. */
export type Source = {
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

/**
 * A song that is about to be made: its text or file, what is understood of it, and the guesses that were put right.
 * @param onUnderstood is told when a file was read
 */
export function useNewSong(onUnderstood: () => void) {
  const router = useRouter();
  const [source, setSource] = useState<Source>({ text: "", file: null });
  const [adjustments, setAdjustments] = useState<Adjustments>({});
  const [title, setTitle] = useState("");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const deferred = useDeferredValue(source);
  const read = useMemo(() => readSource(deferred, adjustments), [deferred, adjustments]);
  const sheet = useMemo(() => adjustSheet(read.sheet, adjustments), [read, adjustments]);
  const isEmpty = source.file === null && source.text.trim() === "";

  const adjust = (fields: Partial<Adjustments>) => setAdjustments((before) => ({ ...before, ...fields }));
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
    onUnderstood();
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
  return {
    source,
    sheet,
    read: read.sheet,
    problem: problem || read.problem,
    adjustments,
    adjust,
    title,
    setTitle,
    isEmpty,
    busy,
    take,
    takeFile,
    make,
  };
}

/** Why no song was made, for who typed it: it all stays on the screen. */
function whyNotMade(made: Extract<Called<unknown, unknown>, { ok: false }>): string {
  if (made.status === "away")
    return "The server can’t be reached. The text stays here; try again when it answers.";
  return made.status === 507
    ? "The song can’t be written: the disk may be full, or the data folder read-only. It stays here; make room and try again."
    : made.message;
}
