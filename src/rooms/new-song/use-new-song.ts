"use client";

import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
import { type Called, call, makeSong } from "@/api";
import { fail } from "@/base";
import {
  type Adjustments,
  adjustSheet,
  type ChordSheet,
  decodeText,
  describeSheetProblem,
  EMPTY_SHEET,
  isPack,
  LONGEST_SHEET,
  NOTHING_READ,
  readOptionsOf,
  readSongSource,
  readSongText,
  type SongSource,
  titleOfFile,
} from "@/core/formats";
import { askEngine, type QuestionOf, useEngine } from "@/engines/window";
import { toBase64 } from "@/ui/base64";

/** What stands to be made a song: a text, or a file that is no text. */
export type Source = {
  readonly text: string;
  readonly file: { readonly name: string; readonly bytes: Uint8Array } | null;
};

type Read = { readonly sheet: ChordSheet; readonly problem: string };

const NOTHING: Read = { sheet: EMPTY_SHEET, problem: "" };

type SourceQuestion = QuestionOf<"read-source">;

/** Larger ones are read away from the window, which goes on meanwhile; in characters or bytes. */
const LARGE = 60_000;

const isLarge = ({ text, file }: Source): boolean => (file?.bytes.length ?? text.length) > LARGE;

const sourceOf = ({ text, file }: Source): SongSource => file ?? { text };

function readHere(source: Source, adjustments: Adjustments): Read {
  const read = readSongSource(sourceOf(source), readOptionsOf(adjustments));
  return read.ok ? { sheet: read.value.sheet, problem: "" } : { sheet: EMPTY_SHEET, problem: read.problem };
}

/** What is understood of a source; a large one's last answer stays while the next is worked out. */
function useReading(source: Source, adjustments: Adjustments): Read & { readonly isReading: boolean } {
  const isFar = isLarge(source);
  const question = useMemo(
    (): SourceQuestion | null => (isFar ? { source: sourceOf(source), adjustments } : null),
    [isFar, source, adjustments],
  );
  const far = useEngine("read-source", question);
  const here = useMemo(() => (isFar ? null : readHere(source, adjustments)), [isFar, source, adjustments]);
  if (here) return { ...here, isReading: false };
  const problem = far.problem ?? (far.error ? CANNOT_READ : "");
  return { sheet: far.data?.sheet ?? NOTHING.sheet, problem, isReading: far.isOld && problem === "" };
}

const CANNOT_READ = "It could not be read here. Reload the page and try again; nothing was made of it.";

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
  const read = useReading(deferred, adjustments);
  const sheet = useMemo(() => adjustSheet(read.sheet, adjustments), [read.sheet, adjustments]);
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
    setBusy(true);
    const asked = { source: { name: file.name, bytes }, adjustments: {} };
    const found = await askEngine("read-source", asked).catch(() => fail(CANNOT_READ));
    setBusy(false);
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
    // A large one is judged by the server, which reads it again.
    const now = isLarge(source) ? NOTHING : readHere(source, adjustments);
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
    isReading: read.isReading,
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
