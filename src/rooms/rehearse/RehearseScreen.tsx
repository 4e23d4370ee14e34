"use client";

import { type CSSProperties, useId, useState } from "react";
import { useStore } from "zustand";
import { capital } from "@/base";
import { beginsOf, type RunPlace } from "@/core/practice";
import { tellBars } from "@/core/song/moments";
import type { NamesChoice } from "@/core/song/names";
import { barInSection, type LivePassage } from "@/core/stage";
import { SelectField } from "@/ui/SelectField";
import { hearing } from "../hear";
import { PassageSheet } from "../stage";
import { BarThread } from "./BarThread";
import { KeepRun, type KeptRun } from "./KeepRun";
import { RunBar } from "./RunBar";
import { REHEARSAL, stretchOf } from "./rehearsal";
import { useHeardSong, usePlace, useReaderPart, useRehearsal, type Where } from "./use-rehearsal";
import { useRehearseKeys } from "./use-rehearse-keys";
import { WhereItIs } from "./WhereItIs";
import { WhoIsHeard } from "./WhoIsHeard";

type Props = {
  readonly where: Where;
  /** Whose sheet may run with the sound. */
  readonly readers: readonly { readonly id: string; readonly name: string }[];
  readonly names: NamesChoice;
  /** Keeps what was gone through in the song's log, of one of the readers; nothing is kept where there is none. */
  readonly onKeep?: (kept: KeptRun, readerId: string) => void;
  /** Marks the bar that sounds as a danger spot; a device that has joined can't. */
  readonly onMark?: (passages: readonly LivePassage[], place: RunPlace) => void;
};

/** A song gone through with the sound of the band: stretch, tempo and count-in, who is heard, and the sheet that runs with it. */
export function RehearseScreen({ where, readers, names, onKeep, onMark }: Props) {
  const { heard, problem, edits } = useHeardSong(where);
  const { rehearsal, now } = useRehearsal(where.versionId, heard);
  const { song, way, phase } = now;
  const reader = readers.find(({ id }) => id === way.reader) ?? readers[0] ?? null;
  const part = useReaderPart(where, reader?.id ?? null, names, edits);
  const place = usePlace(rehearsal, phase, part);
  // An evening knows people, a song players.
  const mine = part?.plays ? part.playerId : null;
  const [said, setSaid] = useState("");
  const mark = () => {
    const sounds = rehearsal.place();
    if (!onMark || !song || sounds?.phase !== "play") return;
    onMark(song.passages, sounds);
    const { label, bar } = barInSection(song.passages, { index: sounds.passage, bar: sounds.bar });
    setSaid(`${capital(tellBars(String(bar), label))} is kept as a danger spot in Cues.`);
  };
  useRehearseKeys(rehearsal, mine, mark);
  const soundProblem = useStore(hearing, (one) => one.problem);
  const heading = useId();
  if (problem !== null) return <p role="alert">{problem}</p>;
  if (!song) return <p role="status">Listening to the parts…</p>;
  if (song.passages.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-4">
        There is nothing to go through yet: put sections in the form in Song.
      </p>
    );
  const stretch = stretchOf(song, way);
  const first = beginsOf(song.passages).findLastIndex((begin) => begin <= stretch.from);
  const shown = part?.sheets[place?.passage ?? first];
  return (
    <>
      <RunBar {...{ rehearsal, now, song }} />
      {soundProblem?.by === REHEARSAL && (
        <p role="status" className="mb-2 text-sm">
          {soundProblem.text}
        </p>
      )}
      <BarThread {...{ rehearsal, song, way, place }} />
      <div className="mt-3 flex gap-5 max-lg:flex-col">
        <section
          aria-labelledby={heading}
          className="rehearse-sheet flex min-w-0 flex-1 flex-col"
          style={{ "--stage-size": 0.62 } as CSSProperties}
        >
          <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
            <h2 id={heading} className="sr-only">
              The sheet
            </h2>
            <SelectField
              label="Sheet of"
              className="w-40"
              value={reader?.id ?? ""}
              options={readers.map(({ id, name }) => ({ value: id, label: name }))}
              onSet={(id) => rehearsal.change({ reader: id })}
            />
            <WhereItIs place={place} passages={song.passages} phase={phase} />
            {onMark && (
              <span className="flex items-center gap-2">
                <button
                  type="button"
                  className="btn btn-sm"
                  disabled={place?.phase !== "play"}
                  onClick={mark}
                >
                  Mark this bar
                  <kbd className="kbd kbd-xs max-sm:hidden">D</kbd>
                </button>
                <span role="status" className="text-sm">
                  {said}
                </span>
              </span>
            )}
          </div>
          {part && shown ? (
            <PassageSheet part={part} sheet={shown} tick={place?.phase === "play" ? place.tick : null} />
          ) : (
            <p role="status">The sheet is on its way…</p>
          )}
        </section>
        <WhoIsHeard {...{ rehearsal, song, way, reader: mine }} />
      </div>
      {onKeep && reader && now.last && (
        <KeepRun
          key={JSON.stringify(now.last)}
          last={now.last}
          who={reader.name}
          onKeep={(clean) => {
            onKeep({ ...now.last!, player: reader.name, clean }, reader.id);
            rehearsal.letGo();
          }}
          onLetGo={() => rehearsal.letGo()}
        />
      )}
    </>
  );
}
