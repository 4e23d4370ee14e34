"use client";

import { useState } from "react";
import { addCue } from "@/core/cues";

import { ticksOfBeatUnit } from "@/core/rhythm";
import { clockOf, type SongClock, tellUnder, tellWord } from "@/core/song/moments";
import { barsIn, spansOfForm, type UseSpan, versionRow } from "@/core/song/read";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { useReady } from "@/ui/use-ready";
import { derive, makeId, useAct, useDerivedLater, useRowsLater } from "../open";

/** A form for a cue of one's own: at a bar and beat of a section, or on a word. */
export function AddCue() {
  const act = useAct();
  const ready = useReady();
  const body = useRowsLater("version", "players");
  const spans = spansOfForm(useDerivedLater(derive.timeline));
  const [useId, setUseId] = useState("");
  const [place, setPlace] = useState("0");
  const [playerId, setPlayerId] = useState("");
  const [text, setText] = useState("");
  const span = spans.find(({ use }) => use.id === useId) ?? spans[0];
  if (!span) return null;
  const beat = ticksOfBeatUnit(versionRow(body).beatUnit) ?? 960;
  const clock = clockOf(spans);
  const { places, words } = placesIn(span, beat, clock);
  const chosen = places.some(({ value }) => value === place) ? place : (places[0]?.value ?? "0");
  return (
    <form
      className="mb-4 flex flex-wrap items-end gap-3 rounded-box bg-base-200 p-3"
      aria-label="A cue of your own"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === "") return;
        const wordId = chosen.startsWith("word ") ? chosen.slice(5) : null;
        const sung = words.find(({ id }) => id === wordId);
        const tick = wordId === null ? Number(chosen) : Math.max(0, (sung?.tick ?? span.from) - span.from);
        act(
          addCue({ useId: span.use.id, tick, wordId, text: text.trim(), playerId: playerId || null }, makeId),
        );
        setText("");
      }}
    >
      <label className="flex min-w-48 flex-1 flex-col gap-1 text-sm">
        A cue of your own
        <input
          className="input input-sm w-full"
          value={text}
          readOnly={!ready}
          maxLength={200}
          placeholder="what to do, or to look out for"
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <SelectField
        label="In"
        className="w-40"
        value={span.use.id}
        options={spans.map((one, at) => ({ value: one.use.id, label: `${at + 1}. ${one.label}` }))}
        onSet={setUseId}
      />
      <SelectField label="At" className="w-44" value={chosen} options={places} onSet={setPlace} />
      <SelectField
        label="Whom it is for"
        className="w-36"
        value={playerId}
        options={[
          { value: "", label: "everybody" },
          ...Object.values(body.players)
            .sort(byOrder)
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onSet={setPlayerId}
      />
      <button type="submit" className="btn btn-sm" disabled={text.trim() === ""}>
        Add the cue
      </button>
    </form>
  );
}

/** Where in a span a cue may stand: on its beats, and on its sung words; ticks count from the span's begin. */
function placesIn(span: UseSpan, beat: number, clock: SongClock) {
  const bars = span.passages.flatMap(barsIn);
  const sung = span.passages
    .filter(({ vocals }) => vocals)
    .flatMap(({ lines }) =>
      lines.flatMap(({ outline, wordTicks }) =>
        outline.words.map(({ word }, at) => ({ id: word.id, tick: wordTicks[at]! })),
      ),
    );
  /** A word that is sung again is meant the first time. */
  const words = [...new Map(sung.toReversed().map((word) => [word.id, word])).values()].toReversed();
  const places = [
    ...bars.flatMap((bar) =>
      Array.from({ length: Math.max(1, Math.floor(bar.ticks / beat)) }, (_, at) => ({
        value: String(bar.tick + at * beat - span.from),
        label: tellUnder(clock.momentAt(bar.tick + at * beat), span.use.id),
      })),
    ),
    ...words.map((word) => ({ value: `word ${word.id}`, label: tellWord(clock.momentAt(word.tick)) })),
  ].filter(({ value }) => value.startsWith("word") || Number(value) >= 0);
  return { places, words };
}
