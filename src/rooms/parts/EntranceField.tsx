"use client";

import type { SheetPart, SheetRow } from "@/core/parts";
import { playAsUsual, setEntrances, silencedWith, takesSilence } from "@/core/song/edit";
import {
  describeEntranceProblem,
  formatEntrances,
  placeNames,
  readEntrances,
  wordsIn,
} from "@/core/song/read";
import { TextField } from "@/ui/TextField";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useRowsLater } from "../open";

const OFFERED = [
  "enters here",
  "enters at the second half",
  "leaves here",
  "leaves at the second half",
  "only here",
  "only the second half",
];

/** Where a player comes into the song or leaves it, and whom a silence silences beside. */
export function EntranceField({ part, row }: { readonly part: SheetPart; readonly row: SheetRow }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { entrances } = useRowsLater("entrances");
  const { use, player } = part;
  const words = wordsIn(row.passage);
  const own = Object.values(entrances).filter((one) => one.playerId === player.id);
  const here = own.filter((one) => one.useId === use.id);
  return (
    <div>
      <TextField
        label="Comes in and leaves"
        longest={120}
        offered={OFFERED}
        value={formatEntrances(here, words)}
        check={(text) => {
          const read = readEntrances(text, row.bars, words);
          return read.ok ? null : describeEntranceProblem(read.problem);
        }}
        onSet={(text) => {
          const read = readEntrances(text, row.bars, words);
          if (read.ok) act(setEntrances(current(), use.id, player.id, read.value, makeId));
        }}
      />
      <Silence part={part} othersSay={own.length > here.length} />
    </div>
  );
}

/** Why a player is silent here, and one act to undo it; or whom this silence silences beside. */
function Silence({ part, othersSay }: { readonly part: SheetPart; readonly othersSay: boolean }) {
  const act = useAct();
  const current = useCurrentVersion();
  const outline = useDerived(derive.outline);
  const index = useDerived(derive.cellIndex);
  const { use, player, cell, out } = part;
  const names = placeNames(outline);
  const nameOf = (useId: string): string => names.get(useId) ?? "its first time";
  const play = (uses: Parameters<typeof playAsUsual>[1]) =>
    act(playAsUsual(derive.cellIndex(current()), uses, player, makeId));
  if (!out) return null;
  if (cell.role.from === "entrance")
    return (
      <p className="mt-1 text-sm">
        Not in the song here{othersSay ? ": it is said at another place where " : ", as said above."}
        {othersSay && `${player.name} comes in or leaves.`}
      </p>
    );
  if (takesSilence(cell))
    return (
      <p className="mt-1 text-sm">
        Silent because {nameOf(index.firstUse.get(use.sectionId) ?? "")} is.{" "}
        <button type="button" className="link font-bold" onClick={() => play([use])}>
          Play here
        </button>
      </p>
    );
  const others = silencedWith(index, outline.form, use, player);
  if (others.length === 0) return null;
  return (
    <p className="mt-1 text-sm">
      This silences {others.map(({ id }) => nameOf(id)).join(", ")} too.{" "}
      <button type="button" className="link font-bold" onClick={() => play(others)}>
        Only here
      </button>
    </p>
  );
}
