"use client";

import { useState } from "react";
import { beatsOfTicks, type LineSum, ticksOfBar, ticksOfBeats } from "@/core/rhythm";
import { addChord, removeChord, removeLine, set, setWords } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import type { OutlineLine } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { NumberField } from "@/ui/NumberField";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { makeId, useAct, useCurrentVersion, useNames } from "../open";
import { BeatGrid } from "./BeatGrid";
import { checkSymbol } from "./check-symbol";

const LONGEST_BEATS = 64;

/** A line opened for changes: its words, and each chord with its name, beats and word. */
export function LineEditor({
  line,
  version,
  sum,
  label,
  shift = 0,
  words = true,
}: {
  line: OutlineLine;
  version: VersionRow;
  sum?: LineSum | undefined;
  label: string;
  /** Semitones its use is raised by, where it belongs to one. */
  shift?: number;
  /** Whether its words may be changed here. */
  words?: boolean;
}) {
  const namer = useNames()(null, shift);
  const current = useCurrentVersion();
  const act = useAct();
  const wordChoices = [
    ...line.words.map(({ word }, index) => ({ value: word.id, label: `${index + 1}. ${word.text}` })),
    { value: "", label: "no word" },
  ];
  return (
    <div className="mt-2 flex flex-col gap-3 border-t border-base-300 pt-2">
      {words && (
        <TextField
          label="Words"
          value={line.text}
          longest={2000}
          onSet={(text) => act(setWords(line, text, makeId))}
        />
      )}
      <BeatGrid line={line} version={version} sum={sum} label={label} namer={namer} />
      <ul className="flex flex-col gap-2">
        {line.chords.map(({ chord }, index) => (
          <ChordFields
            key={chord.id}
            chord={chord}
            index={index}
            version={version}
            namer={namer}
            wordChoices={wordChoices}
          />
        ))}
      </ul>
      <NewChord line={line} version={version} namer={namer} wordChoices={wordChoices} />
      <p className="text-sm">
        On the beats: a letter puts a chord, <kbd className="kbd kbd-xs">←</kbd>{" "}
        <kbd className="kbd kbd-xs">→</kbd> go by beats, <kbd className="kbd kbd-xs">[</kbd>{" "}
        <kbd className="kbd kbd-xs">]</kbd> make the chord a beat shorter and longer,{" "}
        <kbd className="kbd kbd-xs">Shift</kbd> with an arrow moves where it begins,{" "}
        <kbd className="kbd kbd-xs">Alt</kbd> with an arrow moves it to another word,{" "}
        <kbd className="kbd kbd-xs">Delete</kbd> takes it away.{" "}
        <button type="button" className="link" onClick={() => act(removeLine(current(), line.line.id))}>
          Remove this line
        </button>
      </p>
    </div>
  );
}

function NewChord({
  line,
  version,
  namer,
  wordChoices,
}: {
  line: OutlineLine;
  version: VersionRow;
  namer: Namer;
  wordChoices: { value: string; label: string }[];
}) {
  const act = useAct();
  const [symbol, setSymbol] = useState("");
  const [wordId, setWordId] = useState(wordChoices.at(0)?.value ?? "");
  const [problem, setProblem] = useState<string | null>(null);
  const put = () => {
    const written = namer.toWritten(symbol);
    setProblem(checkSymbol(symbol, namer));
    if (written === null) return;
    const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
    const under = wordChoices.some((choice) => choice.value === wordId) ? wordId : "";
    act(addChord(line, written, bar, under || null, makeId));
    setSymbol("");
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        put();
      }}
    >
      <label className="flex flex-col gap-1 text-sm">
        A new chord
        <input
          className={`input input-sm w-44 ${problem ? "input-error" : ""}`}
          value={symbol}
          maxLength={40}
          onChange={(event) => setSymbol(event.target.value)}
          aria-invalid={problem !== null}
        />
      </label>
      <SelectField
        label="Under the word"
        className="w-36"
        value={wordId}
        options={wordChoices}
        onSet={setWordId}
      />
      <button type="submit" className="btn btn-sm">
        Put the chord here
      </button>
      {problem && (
        <span role="alert" className="text-sm text-error">
          {problem}
        </span>
      )}
    </form>
  );
}

/** One chord of a line: its name, beats, word, and whether it is sure. */
function ChordFields({
  chord,
  index,
  version,
  namer,
  wordChoices,
}: {
  chord: OutlineLine["chords"][number]["chord"];
  index: number;
  version: VersionRow;
  namer: Namer;
  wordChoices: readonly { value: string; label: string }[];
}) {
  const current = useCurrentVersion();
  const act = useAct();
  return (
    <li className="flex flex-wrap items-end gap-3">
      <TextField
        label={`Chord ${index + 1}`}
        value={namer.chord(chord.symbol)}
        longest={40}
        className="w-44"
        check={(text) => checkSymbol(text, namer)}
        onSet={(text) => act(set("chords", chord.id, { symbol: namer.toWritten(text) ?? text.trim() }))}
      />
      <NumberField
        label="Beats"
        value={beatsOfTicks(chord.ticks, version.beatUnit)}
        least={0.25}
        most={LONGEST_BEATS}
        whole={false}
        onSet={(beats) =>
          act(
            set("chords", chord.id, {
              ticks: ticksOfBeats(beats, version.beatUnit) ?? chord.ticks,
              guessed: false,
            }),
          )
        }
      />
      <SelectField
        label="Under"
        className="w-36"
        value={chord.wordId ?? ""}
        options={wordChoices}
        onSet={(wordId) => act(set("chords", chord.id, { wordId: wordId || null, offset: 0 }))}
      />
      <label className="flex items-center gap-2 pb-1 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={!chord.sure}
          onChange={(event) => act(set("chords", chord.id, { sure: !event.target.checked }))}
        />
        not sure
      </label>
      <button type="button" className="btn btn-sm" onClick={() => act(removeChord(current(), chord.id))}>
        Remove {namer.chord(chord.symbol)}
      </button>
    </li>
  );
}
