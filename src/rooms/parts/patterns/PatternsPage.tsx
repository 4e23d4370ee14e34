"use client";

import { useState } from "react";
import { describeList } from "@/core/fretboard";
import { patternOfRow } from "@/core/parts";
import {
  drawnRow,
  formatMeter,
  type Pattern,
  type PatternKind,
  patternOf,
  STRUM_LIBRARY,
} from "@/core/rhythm";
import { add, removeStrum, strumLike, strumRow } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import type { StrumRow, VersionBody } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { StrumRow as StrumPicture } from "@/ui/StrumRow";
import { makeId, useAct, useCurrentVersion, useRows } from "../../open";
import { PartsTabs } from "../PartsTabs";
import { Compare } from "./ComparePatterns";
import { JoinBehind } from "./JoinBehind";
import { PatternEditor } from "./PatternEditor";
import { patternAsRow } from "./pattern-as-row";
import { SaidStrum } from "./SaidStrum";

/** Patterns: the song's own, the library to start from, and two of them laid over one another. */
export function PatternsPage() {
  const body = useRows("version", "strums", "cells", "players");
  const current = useCurrentVersion();
  const act = useAct();
  const version = versionRow(body);
  const own = Object.values(body.strums).sort(byOrder);
  const [opened, setOpened] = useState<string | null>(null);
  const open = body.strums[opened ?? ""] ?? null;
  const keep = (pattern: Pattern, name: string) => {
    const row = strumRow(current(), patternAsRow(pattern, name), makeId);
    act(add("strums", row));
    setOpened(row.id);
  };
  const fresh = () => {
    const row = strumRow(
      body,
      {
        name: `Pattern ${own.length + 1}`,
        kind: "strum",
        meter: { beats: version.meterBeats, unit: version.meterUnit },
        subdivision: version.meterUnit === 8 && version.meterBeats % 3 === 0 ? 3 : 2,
        swing: 0.5,
        text: Array.from({ length: version.meterBeats }, () => (version.meterUnit === 8 ? "D" : "D .")).join(
          " ",
        ),
      },
      makeId,
    );
    act(add("strums", row));
    setOpened(row.id);
  };
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <p className="mb-4 max-w-3xl text-sm">
        The line is the strings, the curve the hand: under the line after a stroke down, over it after one up,
        deeper where it is louder. A bar across chokes, a cross is a dead stroke, a ring one over open strings
        while the hand changes; a broken curve is free: any stroke on it is right. Where nothing stands the
        chord rings on. Pain or numbness in hand or wrist means stop and rest; if it stays, see a clinician.
      </p>
      <section aria-label="Patterns of this song" className="mb-8">
        <h2 className="mb-2">Patterns of this song</h2>
        {own.length === 0 && (
          <p className="rounded-box bg-base-200 p-4">
            None yet. Write one, or put one of the library below into the song.
          </p>
        )}
        <ul className="grid gap-3 xl:grid-cols-2">
          {own.map((row) => (
            <OwnPattern
              key={row.id}
              row={row}
              open={opened === row.id}
              players={playedBy(body, row.id)}
              onOpen={() => setOpened(opened === row.id ? null : row.id)}
              onRemove={() => act(removeStrum(current(), row.id))}
              own={own}
              onJoined={keep}
            />
          ))}
        </ul>
        <button type="button" className="btn mt-3" onClick={fresh}>
          Write a new pattern
        </button>
        <details className="mt-3 max-w-3xl">
          <summary className="cursor-pointer font-bold">Say a new one</summary>
          <div className="mt-2">
            <SaidStrum
              meter={{ beats: version.meterBeats, unit: version.meterUnit }}
              tempo={{ bpm: version.bpm, beatUnit: version.beatUnit }}
              taking="Keep it"
              onTake={({ pattern }, words) => keep(pattern, words)}
            />
          </div>
        </details>
        {open && <PatternEditor key={open.id} row={open} />}
      </section>
      {own.length >= 2 && <Compare rows={own} />}
      <Library />
    </>
  );
}

/** Who plays a pattern anywhere. */
const playedBy = (body: Pick<VersionBody, "cells" | "players">, strumId: string): string[] => [
  ...new Set(
    Object.values(body.cells)
      .filter((cell) => [cell.strumId, cell.shortStrumId, cell.fillStrumId].includes(strumId))
      .map((cell) => body.players[cell.playerId]?.name ?? ""),
  ),
];

function OwnPattern({
  row,
  open,
  players,
  own,
  onOpen,
  onRemove,
  onJoined,
}: {
  row: StrumRow;
  open: boolean;
  players: readonly string[];
  own: readonly StrumRow[];
  onJoined: (joined: Pattern, name: string) => void;
  onOpen: () => void;
  onRemove: () => void;
}) {
  const pattern = patternOfRow(row);
  return (
    <li className={`rounded-box border p-3 ${open ? "border-base-content" : "border-base-300"}`}>
      <div className="flex flex-wrap items-center gap-3">
        <strong>{row.name}</strong>
        <span className="text-sm">
          {row.meterBeats}/{row.meterUnit}
          {players.length > 0
            ? `; ${describeList(players)} ${players.length > 1 ? "play" : "plays"} it`
            : "; nobody plays it yet"}
        </span>
        <span className="ml-auto flex flex-wrap items-center justify-end gap-2">
          {pattern && !pattern.free && (
            <JoinBehind name={row.name} pattern={pattern} own={own} hideLabel onJoined={onJoined} />
          )}
          <button
            type="button"
            className="btn btn-sm"
            aria-expanded={open}
            aria-label={`${open ? "Close" : "Change"} ${row.name}`}
            onClick={onOpen}
          >
            {open ? "Close" : "Change"}
          </button>
          <button type="button" className="btn btn-sm" aria-label={`Remove ${row.name}`} onClick={onRemove}>
            Remove
          </button>
        </span>
      </div>
      {pattern ? (
        <StrumPicture row={drawnRow(pattern)} />
      ) : (
        <p className="text-sm text-error">“{row.pattern}” can’t be read as a pattern; change it.</p>
      )}
    </li>
  );
}

const METERS = [...new Set(STRUM_LIBRARY.map((one) => formatMeter(one.meter)))];

const KIND_WORDS: Readonly<Record<PatternKind, string>> = {
  strum: "",
  fingers: "by fingers",
  zones: "by zones of strings",
  free: "",
};

function Library() {
  const body = useRows("version", "strums", "cells", "players");
  const act = useAct();
  const version = versionRow(body);
  const usual = formatMeter({ beats: version.meterBeats, unit: version.meterUnit });
  const [meter, setMeter] = useState(METERS.includes(usual) ? usual : "4/4");
  return (
    <section aria-label="Library" className="mt-8">
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <h2>Library</h2>
        <SelectField
          label="Metre"
          className="w-28"
          value={meter}
          options={METERS.map((value) => ({ value, label: value }))}
          onSet={setMeter}
        />
      </div>
      <ul className="grid gap-3 xl:grid-cols-2">
        {STRUM_LIBRARY.filter((one) => formatMeter(one.meter) === meter).map((one) => {
          const there = strumLike(body, one) !== null;
          return (
            <li key={one.id} className="rounded-box border border-base-300 p-3">
              <p className="flex flex-wrap items-center gap-2">
                <strong>{one.name}</strong>
                {one.swing > 0.5 && <span className="text-sm">swung</span>}
                {KIND_WORDS[one.kind] !== "" && <span className="text-sm">{KIND_WORDS[one.kind]}</span>}
                <button
                  type="button"
                  className="btn btn-sm ml-auto"
                  disabled={there}
                  aria-label={`Put “${one.name}” into the song`}
                  onClick={() => act(add("strums", strumRow(body, one, makeId)))}
                >
                  {there ? "in the song" : "Put into the song"}
                </button>
              </p>
              <StrumPicture row={drawnRow(patternOf(one))} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
