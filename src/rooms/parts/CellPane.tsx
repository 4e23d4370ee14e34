"use client";

import { memo, useMemo } from "react";
import { useStore } from "zustand";
import { isOnlyLine, type SheetPart, type SheetRow } from "@/core/parts";
import { setCell } from "@/core/song/edit";
import { hasStrings } from "@/core/song/read";
import { LIGHT_WORDS } from "@/core/song/schema";
import { SectionTag } from "@/ui/SectionTag";
import { TextField } from "@/ui/TextField";
import { Toggles } from "@/ui/Toggles";
import { Wick } from "@/ui/Wick";
import { HearPart, heardOnce, heardVersion } from "../hear";
import { derive, makeId, useAct, useCurrentVersion, useNames, useOpenSong } from "../open";
import { HeldFields, PlayedFields } from "./CellFields";
import { EntranceField } from "./EntranceField";
import { From } from "./From";
import { LineField } from "./LineField";
import { PhraseRoles } from "./PhraseRoles";
import { Shapes } from "./Shapes";
import { spansOf } from "./SheetCell";
import { StrumField } from "./strum/StrumField";

/** The selected cell opened: what the player does there, how it is played, and the shapes they hold. */
export const CellPane = memo(function CellPane({ part, row }: { part: SheetPart; row: SheetRow }) {
  const current = useCurrentVersion();
  const act = useAct();
  const { version } = useOpenSong();
  const revision = useStore(version.state, ({ replica }) => replica.revision);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was fetched before an edit is not heard after it
  const song = useMemo(() => heardOnce(() => heardVersion(version.id)), [version.id, revision]);
  const { use, player, cell, out } = part;
  const change = (fields: Parameters<typeof setCell>[3]) =>
    act(setCell(derive.cellIndex(current()), use.id, player.id, fields, makeId));
  const namer = useNames()({ player, capo: cell.capo.value }, use.shift);
  const strings = hasStrings(player);
  return (
    <div className="flex flex-col gap-4">
      <h2 className="flex flex-wrap items-center gap-2">
        {player.name} <SectionTag label={row.label} kind={row.section.kind} />
      </h2>
      {!out && (
        <HearPart what={`${player.name}, ${row.label}`} song={song} useId={use.id} playerId={player.id} />
      )}
      <div>
        <Toggles
          label={
            <>
              Light <From what="light" value={cell.light} onClear={() => change({ light: null })} />
            </>
          }
          value={cell.light.value}
          options={LIGHT_WORDS.map((word, light) => ({ value: light, label: `${light} ${word}` }))}
          className="px-2"
          onSet={(light) => change({ light })}
        />
        <Wick
          light={out ? 0 : cell.light.value}
          carries={cell.role.value === "carry" && !out}
          spans={spansOf(part, row.bars)}
        />
      </div>
      <EntranceField part={part} row={row} />
      <div className="grid grid-cols-2 gap-3">
        <PlayedFields part={part} row={row} change={change} />
        <HeldFields part={part} namer={namer} change={change} />
      </div>
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={cell.optional.value}
          onChange={(event) => change({ optional: event.target.checked })}
        />
        may be played or left out
      </label>
      <PhraseRoles part={part} bars={row.bars} onSet={(phrases) => change({ phrases })} />
      <div>
        <TextField
          label="Note"
          value={cell.note.value}
          onSet={(note) => change({ note: note === "" ? null : note })}
        />
        <From what="note" value={cell.note} onClear={() => change({ note: null })} />
      </div>
      {!out && player.instrument !== "voice" && <StrumField part={part} row={row} />}
      {!out && strings && <LineField part={part} row={row} namer={namer} />}
      {!out && strings && !isOnlyLine(part) && <Shapes use={use} player={player} cell={cell} namer={namer} />}
    </div>
  );
});
