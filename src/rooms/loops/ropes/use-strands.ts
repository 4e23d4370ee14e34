"use client";

import { useMemo, useRef, useState, useSyncExternalStore } from "react";
import { followAgain, strokeWants, type UseWant, type Want, wantsOf, wrongLayers } from "@/core/loops";
import { derive, makeId, useAct, useCurrentVersion, useNames } from "../../open";
import type { Loops } from "../use-loops";
import { rowsOf, type Step, unitsOf } from "./strand-units";
import type { PlayedSpan } from "./UseBlock";

/** What a use shows: what is wanted there of each layer, and what the plan plays. */
type Block = {
  readonly said: string;
  readonly wants: readonly UseWant[];
  readonly played: readonly (readonly PlayedSpan[])[];
};

/** Some units of one or several strands in one use, by their indexes; `layer` and `to` are where the focus is. */
export type StrandPlace = {
  readonly use: number;
  /** The strand at the other end: the same where it is one. */
  readonly anchor: number;
  readonly layer: number;
  readonly from: number;
  readonly to: number;
};

const NARROW = "(max-width: 700px)";

/** Bars in a row: fewer where the screen is narrow, so that words can be read. */
function useBarsInRow(): number {
  const narrow = useSyncExternalStore(
    (changed) => {
      const query = window.matchMedia(NARROW);
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    () => window.matchMedia(NARROW).matches,
    () => false,
  );
  return narrow ? 4 : 8;
}

/** Which layers sound where by the plan, by use and layer. */
function playedOf(shown: Loops["shown"]): ReadonlyMap<string, PlayedSpan[]> {
  const found = new Map<string, PlayedSpan[]>();
  if (!shown) return found;
  for (const [at, piece] of shown.song.pieces.entries()) {
    const { span } = piece;
    const on = new Set(shown.plan.states[at]!.flatMap((track) => shown.plan.tracks[track]!));
    const wrong = wrongLayers(shown.song.asked!, shown.plan, at);
    for (const { id } of shown.song.layers) {
      const key = `${id} ${span.use.id}`;
      const isWrong = wrong.silent.includes(id) || wrong.sounding.includes(id);
      const stretch = {
        from: piece.from - span.from,
        to: piece.to - span.from,
        sounds: on.has(id),
        wrong: isWrong,
      };
      found.set(key, [...(found.get(key) ?? []), stretch]);
    }
  }
  return found;
}

/** Strands of layers along the words: their units, what is wanted and played of them, and strokes over them. */
export function useStrands(loops: Loops, step: Step) {
  const { song, body } = loops;
  const { layers, spans } = song;
  const names = useNames();
  const act = useAct();
  const current = useCurrentVersion();
  const units = useMemo(() => {
    const nameOf = (symbol: string, shift: number) => names(null, shift).chord(symbol);
    return spans.map((span) => unitsOf(song, span, step, nameOf));
  }, [song, spans, step, names]);
  // Words and beats need more room than bars, so that each can be read.
  const full = Math.max(1, useBarsInRow() / (step === "word" || step === "beat" ? 4 : 1)) * song.barTicks;
  const rows = useMemo(() => units.map((list) => rowsOf(full, list)), [full, units]);
  const wants = useMemo(() => wantsOf(body, derive.outline(body)), [body]);
  const played = useMemo(() => playedOf(loops.shown), [loops.shown]);
  /** By use: what its block shows, the same object until something of it changes. */
  const [known] = useState(() => new Map<string, Block>());
  const blocks = useMemo(
    () =>
      spans.map((span): Block => {
        const ofUse = layers.map(({ id }) => wants(id, span.use.id));
        const sounding = layers.map(({ id }) => played.get(`${id} ${span.use.id}`) ?? []);
        const said = JSON.stringify([ofUse.map(({ row, spans }) => [row?.id, spans]), sounding]);
        const before = known.get(span.use.id);
        const block = before?.said === said ? before : { said, wants: ofUse, played: sounding };
        known.set(span.use.id, block);
        return block;
      }),
    [spans, layers, wants, played, known],
  );
  const stroke = (place: StrandPlace, want: Want) => {
    const span = spans[place.use];
    const chosen = layers.slice(Math.min(place.anchor, place.layer), Math.max(place.anchor, place.layer) + 1);
    const first = units[place.use]?.[Math.min(place.from, place.to)];
    const last = units[place.use]?.[Math.max(place.from, place.to)];
    // What was selected may be gone meanwhile.
    if (!span || chosen.length === 0 || !first || !last) return;
    const strokes = chosen.map((layer) => ({
      layerId: layer.id,
      useId: span.use.id,
      from: first.from,
      to: last.to,
      total: span.to - span.from,
      want,
    }));
    act(strokeWants(current(), derive.outline(current()), strokes, makeId));
  };
  // Blocks are not drawn anew for a function that does the same.
  const acting = useRef({ act, current });
  acting.current = { act, current };
  const [follow] = useState(
    () => (useId: string) => acting.current.act(followAgain(acting.current.current(), useId)),
  );
  /** Whether a later use of a section has wants of its own. */
  const isOwn = (useId: string, sectionId: string) =>
    spans.find(({ use }) => use.sectionId === sectionId)?.use.id !== useId &&
    layers.some(({ id }) => wants(id, useId).row);
  return { layers, spans, units, rows, full, blocks, stroke, follow, isOwn };
}

export type Strands = ReturnType<typeof useStrands>;
