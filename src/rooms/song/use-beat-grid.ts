"use client";

import { type KeyboardEvent, useRef, useState } from "react";
import { type BeatUnit, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import {
  lengthenChord,
  liftChord,
  moveChordStart,
  moveChordWord,
  placeChord,
  spotAt,
} from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import type { OutlineLine } from "@/core/song/read";
import type { VersionRow } from "@/core/song/schema";
import { type KeyAct, keyAct } from "@/ui/keys";
import { makeId, useAct, useCurrentVersion } from "../open";
import { checkSymbol } from "./check-symbol";

/** The model of a line's beats: the marked beat and its chord, the chord that is typed, and what keys do. */
export function useBeatGrid(line: OutlineLine, version: VersionRow, namer: Namer) {
  const act = useAct();
  const current = useCurrentVersion();
  const grid = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  const [typing, setTyping] = useState<string | null>(null);
  const [problem, setProblem] = useState("");
  const unit: BeatUnit = version.beatUnit;
  const beat = ticksOfBeatUnit(unit) ?? 960;
  const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
  const cells = Math.ceil(line.ticks / beat) + 1;
  const mark = Math.min(at, cells - 1);
  const spot = spotAt(line, mark * beat);
  const chord = spot ? line.chords[spot.index]!.chord : null;

  const put = () => {
    const symbol = namer.toWritten(typing ?? "");
    setProblem(checkSymbol(typing ?? "", namer) ?? "");
    if (symbol === null) return;
    act(placeChord(line, mark * beat, symbol, bar, makeId));
    setTyping(null);
    grid.current?.focus();
  };
  const run = (command: ReturnType<typeof lengthenChord>) => {
    if (command) act(command);
  };
  const index = spot?.index ?? -1;
  const goTo = (to: number) => setAt(Math.min(cells - 1, Math.max(0, to)));
  const moveStart = (by: number) => {
    const moved = moveChordStart(line, index, by * beat, beat);
    run(moved);
    if (moved) setAt(Math.max(0, mark + by));
  };
  const acts: Readonly<Record<KeyAct<"beats">, (key: string) => void>> = {
    left: () => goTo(mark - 1),
    right: () => goTo(mark + 1),
    first: () => goTo(0),
    last: () => goTo(cells - 1),
    earlier: () => moveStart(-1),
    later: () => moveStart(1),
    "word-before": () => run(moveChordWord(line, index, -1)),
    "word-after": () => run(moveChordWord(line, index, 1)),
    longer: () => run(lengthenChord(line, index, beat, beat)),
    shorter: () => run(lengthenChord(line, index, -beat, beat)),
    "half-longer": () => run(lengthenChord(line, index, beat / 2, beat / 2)),
    "half-shorter": () => run(lengthenChord(line, index, -beat / 2, beat / 2)),
    lift: () => spot && act(liftChord(current(), line, spot.index)),
    type: (key) => {
      setProblem("");
      setTyping(key.toUpperCase());
    },
  };
  const onKey = (event: KeyboardEvent) => {
    const pressed = typing === null ? keyAct("beats", event) : null;
    if (!pressed) return;
    event.preventDefault();
    acts[pressed](event.key);
  };
  return {
    grid,
    mark,
    setAt,
    typing,
    setTyping,
    problem,
    setProblem,
    chord,
    cells,
    beat,
    bar,
    unit,
    put,
    onKey,
  };
}
