"use client";

import { type FormEvent, useState } from "react";
import {
  describeSheetProblem,
  LONGEST_SHEET,
  NOTHING_READ,
  readSheet,
  readSongFile,
  titleOfFile,
  writeChordPro,
} from "@/core/formats";
import { add, orderAtEnd } from "@/core/song/edit";
import { SOURCE_KINDS, type SourceKind } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { makeId, useAct, useCurrentVersion } from "../open";

export const KIND_WORDS: Readonly<Record<SourceKind, string>> = {
  sheet: "a sheet",
  file: "a file",
  ear: "heard by ear",
  take: "a live take",
  lesson: "a lesson",
  other: "something else",
};

/** The longest text that is kept beside a version, in characters. */
const LONGEST_SOURCE = 60_000;

/** Adds another source: pasted, typed, or from a file of any format that is read. */
export function NewSource() {
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
    if (found || text.length > LONGEST_SOURCE)
      return setProblem(
        found
          ? describeSheetProblem(found)
          : `A source may have ${LONGEST_SOURCE.toLocaleString("en")} characters. Paste this song only.`,
      );
    setProblem("");
    const order = orderAtEnd(Object.values(current().sources));
    const row = { id: makeId(), order, name: name.trim() || sheet.title || KIND_WORDS[kind], kind };
    act(add("sources", { ...row, text: text.replaceAll(/\r\n?/gu, "\n") }));
    setText("");
    setName("");
  };
  const takeFile = async (file: File) => {
    const read = readSongFile(file.name, new Uint8Array(await file.arrayBuffer()));
    const fatal = read.ok ? read.value.sheet.problems.find((one) => one.code === "bad-file") : undefined;
    if (!read.ok || fatal) return setProblem(read.ok ? describeSheetProblem(fatal!) : read.problem);
    setProblem("");
    // A score is kept as the text it says: only chords, bars and words are compared.
    setText(read.value.text || writeChordPro(read.value.sheet).text);
    setName(read.value.sheet.title || titleOfFile(file.name));
    setKind("file");
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
        onSet={(value) => setKind(value)}
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
      <label className="flex flex-col gap-1 text-sm">
        Or from a file
        <input
          type="file"
          className="file-input file-input-sm w-full"
          onChange={(event) => event.target.files?.[0] && void takeFile(event.target.files[0])}
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
