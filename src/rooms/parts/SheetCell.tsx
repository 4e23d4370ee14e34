"use client";

import { memo } from "react";
import { patternOfPart, type SheetPart } from "@/core/parts";
import { type Meter, signedBars } from "@/core/rhythm";
import { barsAt } from "@/core/song/read";
import { LIGHT_WORDS, type StrumRow } from "@/core/song/schema";
import { describeCapo, ROLE_WORDS } from "@/ui/pretty";
import { Wick } from "@/ui/Wick";

type Props = {
  readonly part: SheetPart;
  readonly bars: number;
  readonly meter: Meter;
  readonly strum: StrumRow | null;
  readonly name: string;
  readonly place: string;
  /** Whether keys go here. */
  readonly focused: boolean;
  readonly selected: boolean;
  readonly findings: number;
  readonly onPick: (place: string, extend: boolean) => void;
};

/** The spans of a section a part plays, as shares of it; of a repeated one whose rounds differ, of all its rounds. */
export function spansOf(part: SheetPart, bars: number): (readonly [number, number])[] {
  const rounds = part.cell.stays === null ? 1 : part.use.repeat;
  const spans = Array.from({ length: rounds }, (_, round) =>
    (barsAt(part.cell, round) ?? [[0, bars]])
      .filter(([from]) => from < bars)
      .map(
        ([from, to]) => [(round + from / bars) / rounds, (round + Math.min(1, to / bars)) / rounds] as const,
      ),
  ).flat();
  return bars === 0 ||
    (rounds > 1 && spans.length === rounds && spans.every(([from, to]) => to - from > 0.999 / rounds))
    ? [[0, 1]]
    : spans;
}

/** Bars of a pattern shown in a cell: where it changes within its section. */
const MOST_SIGNED = 3;

/** A cell of the sheet as it is written there: wick, role, how it is played, what differs. Inherited words are slanted. */
export const SheetCell = memo(function SheetCell({
  part,
  bars,
  meter,
  strum,
  name,
  place,
  focused,
  selected,
  findings,
  onPick,
}: Props) {
  const { cell, out, player, riff, technique } = part;
  const light = cell.light.value;
  const role = out
    ? cell.role.from === "entrance"
      ? "not in here"
      : "stays out"
    : ROLE_WORDS[cell.role.value];
  const maybe = cell.optional.value && !out ? ", may be left out" : "";
  const phrases = cell.phrases.value.length > 0 ? ", by phrase" : "";
  const lined = riff !== null && (cell.technique.value === "line" || cell.technique.value === "bass-high");
  const how = [
    strum?.name ?? (lined ? "" : technique?.words),
    riff && `“${riff.name}”${riff.sure ? "" : "?"}`,
    cell.sound.value && `sound: ${cell.sound.value}`,
  ].filter((one): one is string => typeof one === "string" && one !== "");
  const strokes = patternOfPart(part, meter);
  const capo =
    cell.capo.from === "own" && cell.capo.value !== player.capo
      ? `${describeCapo(cell.capo.value)} here`
      : "";
  const told = [
    LIGHT_WORDS[light],
    `${role}${phrases}${maybe}`,
    ...(out ? [] : how),
    capo,
    cell.note.value,
    findings > 0 ? `${findings} ${findings === 1 ? "finding" : "findings"}` : "",
  ].filter((one) => one !== "");
  const isOwn = (["role", "light", "technique", "strumId"] as const).some(
    (field) => cell[field].from === "own",
  );
  return (
    <button
      type="button"
      data-cell={place}
      tabIndex={focused ? 0 : -1}
      aria-pressed={selected}
      aria-label={`${name}: ${told.join(", ")}`}
      className={`flex h-full w-full flex-col rounded-field px-1.5 py-1 text-left ${selected ? "bg-base-300" : "hover:bg-base-200"} ${focused ? "ring-2 ring-base-content" : ""}`}
      onClick={(event) => onPick(place, event.shiftKey)}
    >
      <span className="flex w-full items-start justify-between gap-1">
        <Wick
          light={out ? 0 : light}
          carries={cell.role.value === "carry" && !out}
          spans={spansOf(part, bars)}
        />
        {findings > 0 && (
          <span
            aria-hidden="true"
            className="rounded-full border border-base-content px-1.5 text-xs font-bold"
          >
            {findings}
          </span>
        )}
      </span>
      <span className={`block text-sm ${isOwn ? "" : "italic"}`}>
        {role}
        {phrases}
        {maybe}
        {capo && <strong>, {capo}</strong>}
      </span>
      {!out && how.length > 0 && (
        <span className={`block text-sm ${isOwn ? "" : "italic"}`}>{how.join(" · ")}</span>
      )}
      {strokes && (
        <span aria-hidden="true" data-strokes className="block font-mono text-sm">
          {signedBars(strokes)
            .slice(0, MOST_SIGNED)
            .map(({ bars: at, signs }) => (
              <span key={at} className="block break-all">
                {at !== "" && <strong>{at} </strong>}
                {signs}
              </span>
            ))}
        </span>
      )}
      {cell.note.value && <span className="line-clamp-2 block text-sm">{cell.note.value}</span>}
    </button>
  );
});
