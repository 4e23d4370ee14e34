"use client";

import { type KeyboardEvent, useMemo, useRef } from "react";
import { moveChord, parseChord } from "@/core/chord";
import type { Key } from "@/core/pitch";
import { set } from "@/core/song/edit";
import type { Player } from "@/core/song/schema";
import type { AnswerOf } from "@/engines/window";
import { useEngine, useEngines } from "@/engines/window";
import { keyAct } from "@/ui/keys";
import { describeCapo } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { derive, useAct, useDerived, useNames } from "../open";
import { NamesChoice } from "../players";
import { capoQuestion } from "./capo-question";

const CAPOS = Object.freeze([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);

/** What every capo would ask of one guitar; a row is chosen by its button, or by the capo's digit. */
export function CapoTable({
  player,
  soundingKey,
  chords,
}: {
  player: Player;
  soundingKey: Key;
  chords: readonly { symbol: string; beats: number }[];
}) {
  const act = useAct();
  const table = useRef<HTMLTableElement>(null);
  const search = useEngine(
    "capo",
    useMemo(() => capoQuestion(player, soundingKey, chords), [player, soundingKey, chords]),
  );
  const rows = search.data;
  const request = useDerived((body) => derive.planOf(body, player));
  const hardest = useEngines(
    "hardest-change",
    useMemo(() => new Map(CAPOS.map((capo) => [String(capo), { request, capo }])), [request]),
  );
  const choose = (capo: number) => {
    if (capo !== player.capo) act(set("players", player.id, { capo }));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const pressed = keyAct("capo table", event);
    if (!pressed) return;
    event.preventDefault();
    if (pressed === "capo") return choose(Number(event.key));
    const step = pressed === "down" ? 1 : -1;
    const buttons = [...(table.current?.querySelectorAll<HTMLElement>("tbody button") ?? [])];
    const at = buttons.indexOf(document.activeElement as HTMLElement);
    buttons[Math.max(0, Math.min(buttons.length - 1, at + step))]?.focus();
  };
  return (
    <section aria-label={`Capo table of ${player.name}`}>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="mr-auto">
          {player.name}: {describeCapo(player.capo)} now
        </h2>
        <SearchNote
          search={
            search.error || !hardest.error ? { ...search, isOld: search.isOld || hardest.isOld } : hardest
          }
          doing="being worked out…"
        />
        <NamesChoice player={player} />
      </div>
      {rows === null ? (
        <p className="py-3">
          <SearchNote search={search} doing="Working out ten capos…" />
        </p>
      ) : (
        <div className="overflow-x-auto">
          <table ref={table} data-names="shapes" className="table table-sm mt-1 w-auto" onKeyDown={onKeyDown}>
            <caption className="sr-only">
              Least effort first. Arrow keys go from row to row, a digit puts the capo there.
            </caption>
            <CapoHead />
            <tbody>
              {rows.map((row) => (
                <CapoLine
                  key={row.capo}
                  row={row}
                  player={player}
                  soundingKey={soundingKey}
                  change={hardest.data.get(String(row.capo))}
                  chosen={row.capo === player.capo}
                  most={Math.max(...rows.map((one) => one.effort ?? 0))}
                  onChoose={() => choose(row.capo)}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function CapoHead() {
  return (
    <thead className="text-base-content">
      <tr>
        <th scope="col">Capo</th>
        <th scope="col">Shapes of</th>
        <th scope="col">What the hand plays</th>
        <th scope="col">Effort</th>
        <th scope="col">Hardest shape</th>
        <th scope="col">Hardest change</th>
        <th scope="col">
          <span className="sr-only">Choose</span>
        </th>
      </tr>
    </thead>
  );
}

/** A sounding chord as the shape behind the capo, also one of a raised section. */
function shapeName(symbol: string, sounding: Key, shapes: Key): string {
  const chord = parseChord(symbol);
  return chord.ok ? moveChord(chord.value, sounding, shapes) : symbol;
}

function CapoLine({
  row,
  player,
  soundingKey,
  change,
  chosen,
  most,
  onChoose,
}: {
  row: AnswerOf<"capo">[number];
  player: Player;
  soundingKey: Key;
  /** Undefined while it is worked out. */
  change: AnswerOf<"hardest-change"> | undefined;
  chosen: boolean;
  most: number;
  onChoose: () => void;
}) {
  const shapes = [...new Set(row.chords.map((chord) => chord.shape))];
  const namer = useNames()({ player, capo: row.capo });
  const named = (symbol: string) => namer.inCustom(shapeName(symbol, soundingKey, row.shapeKey));
  return (
    <tr
      className={chosen ? "bg-base-300 font-bold" : "hover:bg-base-200"}
      aria-current={chosen ? "true" : undefined}
    >
      <th scope="row">{row.capo}</th>
      <td>{namer.keyName(row.shapeKey)}</td>
      <td className="font-mono text-sm">{shapes.map((shape) => namer.inCustom(shape)).join("  ")}</td>
      <td className="whitespace-nowrap">
        {row.effort === null ? (
          "no fingering"
        ) : (
          <>
            <span
              aria-hidden="true"
              className="mr-2 inline-block h-2 bg-base-content align-middle"
              style={{ width: `${(40 * row.effort) / Math.max(1, most)}px` }}
            />
            {row.effort.toFixed(1)}
          </>
        )}
      </td>
      <td>
        {row.hardest && (
          <>
            <span className="font-mono">{namer.inCustom(row.hardest.shape)}</span>{" "}
            {row.hardest.difficulty === null ? "can’t be held" : row.hardest.difficulty.toFixed(1)}
          </>
        )}
      </td>
      <td className="whitespace-nowrap">
        {change === undefined ? (
          "…"
        ) : change === null ? (
          "none"
        ) : (
          <>
            <span className="font-mono">
              {named(change.from)} → {named(change.to)}
            </span>{" "}
            {change.cost.toFixed(1)}
          </>
        )}
      </td>
      <td>
        <button
          type="button"
          className="btn btn-xs whitespace-nowrap"
          aria-disabled={chosen}
          onClick={onChoose}
        >
          {chosen ? "Chosen" : row.capo === 0 ? "Play without capo" : `Put capo on ${row.capo}`}
        </button>
      </td>
    </tr>
  );
}
