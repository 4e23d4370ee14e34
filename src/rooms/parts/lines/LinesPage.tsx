"use client";

import { useSearchParams } from "next/navigation";
import { useState } from "react";
import type { SheetRow } from "@/core/parts";
import { ticksOfBar } from "@/core/rhythm";
import { addRiff, removeRiff } from "@/core/song/edit";
import { hasStrings, versionRow } from "@/core/song/read";
import type { Player, Riff, RiffNote } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useRows } from "../../open";
import { PartsTabs } from "../PartsTabs";
import { MakeLine } from "./MakeLine";
import { newLine } from "./new-line";
import { OneHandPlan } from "./OneHandPlan";
import { LineEditor } from "./TabLineEditor";
import { TextTab } from "./TextTab";

const NO_NOTES: readonly RiffNote[] = [];

const NobodyToPlay = () => (
  <p className="rounded-box bg-base-200 p-4">
    Lines are written for a guitar or a bass at a place of the form. Add a player with strings, and sections
    in the form.
  </p>
);

/** Lines in tab: riffs, fills, solos and bass lines, written, laid over their chords, moved about the neck. */
export function LinesPage() {
  const body = useRows("version", "riffs", "cells");
  const current = useCurrentVersion();
  const act = useAct();
  const asked = useSearchParams();
  const version = versionRow(body);
  const { rows, players } = useDerived(derive.sheet);
  const stringed = players.filter(hasStrings);
  const riffs = Object.values(body.riffs).sort(byOrder);
  const [opened, setOpened] = useState(asked.get("line") ?? riffs[0]?.id ?? "");
  const home = Object.values(body.cells).find((cell) => cell.riffId === opened);
  const [useId, setUse] = useState(asked.get("use") ?? home?.useId ?? "");
  const [playerId, setPlayer] = useState(asked.get("player") ?? home?.playerId ?? "");
  /** Opens a line where it is played, if it is. */
  const open = (id: string) => {
    const where = Object.values(body.cells).find((cell) => cell.riffId === id);
    setOpened(id);
    if (!where) return;
    setUse(where.useId);
    setPlayer(where.playerId);
  };
  const row = rows.find((one) => one.use.id === useId) ?? rows[0];
  const player = stringed.find((one) => one.id === playerId) ?? stringed[0];
  const riff = body.riffs[opened] ?? null;
  const fresh = (own: Player) => {
    const bar = ticksOfBar({ beats: version.meterBeats, unit: version.meterUnit });
    const cell = row?.parts.find((part) => part.player.id === own.id)?.cell;
    const capo = cell?.capo.value ?? own.capo;
    const line = newLine(current(), row, {
      name: `Line ${riffs.length + 1}`,
      tuning: [...own.tuning],
      capo,
      ticks: bar,
    });
    const places = row ? [{ useId: row.use.id, playerId: own.id }] : [];
    act(addRiff(current(), derive.cellIndex(current()), line, [], places, makeId));
    setOpened(line.id);
  };
  if (!player || !row)
    return (
      <>
        <h1 className="mb-1">Parts</h1>
        <PartsTabs />
        <NobodyToPlay />
      </>
    );
  return (
    <>
      <h1 className="mb-1">Parts</h1>
      <PartsTabs />
      <Chooser
        chosen={{ player, row, riff }}
        players={stringed}
        rows={rows}
        riffs={riffs}
        onPlayer={setPlayer}
        onUse={setUse}
        onRiff={open}
        onNew={() => fresh(player)}
        onRemove={(id) => {
          act(removeRiff(current(), id));
          setOpened("");
        }}
      />
      {riff ? (
        <LineEditor key={riff.id} riff={riff} row={row} player={player} />
      ) : (
        <>
          <p className="rounded-box bg-base-200 p-4">
            Choose a line above, write a new one, or let one be drawn up from the chords below.
          </p>
          <OneHandPlan
            key={`${row.use.id} ${player.id}`}
            riff={null}
            notes={NO_NOTES}
            row={row}
            player={player}
          />
        </>
      )}
      <MakeLine key={`${row.use.id} ${player.id}`} row={row} player={player} riff={riff} onMade={setOpened} />
      <TextTab riff={riff} row={row} player={player} onMade={setOpened} />
    </>
  );
}

type ChooserProps = {
  readonly chosen: { readonly player: Player; readonly row: SheetRow; readonly riff: Riff | null };
  readonly players: readonly Player[];
  readonly rows: readonly SheetRow[];
  readonly riffs: readonly Riff[];
  readonly onPlayer: (id: string) => void;
  readonly onUse: (id: string) => void;
  readonly onRiff: (id: string) => void;
  readonly onNew: () => void;
  readonly onRemove: (riff: string) => void;
};

/** For whom, where, and which line. */
function Chooser({
  chosen: { player, row, riff },
  players,
  rows,
  riffs,
  onPlayer,
  onUse,
  onRiff,
  onNew,
  onRemove,
}: ChooserProps) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-3">
      <SelectField
        label="For"
        className="w-40"
        value={player.id}
        options={players.map((one) => ({ value: one.id, label: one.name }))}
        onSet={onPlayer}
      />
      <SelectField
        label="In"
        className="w-44"
        value={row.use.id}
        options={rows.map((one) => ({ value: one.use.id, label: one.label }))}
        onSet={onUse}
      />
      <SelectField
        label="Line"
        className="w-52"
        value={riff?.id ?? ""}
        options={[
          { value: "", label: riffs.length === 0 ? "none written yet" : "choose one" },
          ...riffs.map((one) => ({ value: one.id, label: one.name })),
        ]}
        onSet={onRiff}
      />
      <button type="button" className="btn btn-sm" onClick={onNew}>
        Write a new line
      </button>
      {riff && (
        <button type="button" className="btn btn-sm" onClick={() => onRemove(riff.id)}>
          Remove {riff.name}
        </button>
      )}
    </div>
  );
}
