"use client";

import { useMemo, useState } from "react";
import { HIGHEST_CAPO } from "@/core/fretboard";
import { type Raised, raisedPassages } from "@/core/parts";
import { describeSemitones, moveKey } from "@/core/pitch";
import { formatBeats } from "@/core/rhythm";
import { setCell } from "@/core/song/edit";
import { cellKey, keysOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import type { AnswerOf } from "@/engines/window";
import { useEngine } from "@/engines/window";
import { NumberField } from "@/ui/NumberField";
import { describeCapo } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { derive, makeId, useAct, useDerived, useNames, useRows } from "../open";
import { capoQuestion } from "./capo-question";
import { playedChords } from "./played-chords";

/** How long a practised hand takes to move a capo and find the neck again. Ours, no source. */
const USUAL_SECONDS = 4;

/** Where the song is raised: each guitar stays and barres, or moves its capo, if there is a rest to do it in. */
export function RaisedUses({ guitars }: { guitars: readonly Player[] }) {
  const body = useRows("version");
  const [seconds, setSeconds] = useState(USUAL_SECONDS);
  const timeline = useDerived(derive.timeline);
  const index = useDerived(derive.cellIndex);
  const rows = guitars.flatMap((player) =>
    raisedPassages(body, timeline, index, player).map((raised) => ({ player, raised })),
  );
  if (rows.length === 0) return null;
  return (
    <section aria-label="Raised sections" className="mt-8">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <h2>Where the key changes on the way</h2>
        <NumberField
          label="Moving a capo takes"
          unit="seconds"
          value={seconds}
          least={0.5}
          most={60}
          whole={false}
          onSet={setSeconds}
        />
      </div>
      <div className="flex flex-col gap-3">
        {rows.map(({ player, raised }) => (
          <RaisedUse
            key={`${player.id} ${raised.passage.use.id} ${raised.passage.round}`}
            player={player}
            raised={raised}
            seconds={seconds}
          />
        ))}
      </div>
    </section>
  );
}

function RaisedUse({ player, raised, seconds }: { player: Player; raised: Raised; seconds: number }) {
  const body = useRows("version");
  const act = useAct();
  const index = useDerived(derive.cellIndex);
  const { passage, by, capoNow, capoMoved, restBeats, restMs } = raised;
  const { use } = passage;
  const namer = useNames()({ player, capo: capoNow }, passage.shift);
  const capoThere = index.cells.get(cellKey(use.id, player.id))?.capo ?? null;
  const search = useEngine(
    "capo",
    useMemo(() => {
      const key = moveKey(keysOf(body).sounding, passage.shift);
      return capoQuestion(player, key, playedChords(body, [passage]), HIGHEST_CAPO);
    }, [body, passage, player]),
  );
  const rowAt = (capo: number) => search.data?.find((row) => row.capo === capo);
  const beatMs = 60000 / passage.tempo.bpm;
  const needed = Math.ceil((seconds * 1000) / beatMs);
  const enough = restMs >= seconds * 1000;
  const choose = (capo: number) => act(setCell(index, use.id, player.id, { capo }, makeId));
  const playsAt = capoThere ?? player.capo;
  return (
    <article className="rounded-box bg-base-200 p-4" aria-label={`${passage.label}, ${player.name}`}>
      <h3 className="font-bold">
        {passage.label}, {player.name}: {describeSemitones(Math.abs(by))} {by > 0 ? "up" : "down"}, in{" "}
        {namer.keyName(namer.soundingKey)}, played with {describeCapo(playsAt)} now
      </h3>
      <SearchNote search={search} doing="Both ways are being worked out…" />
      <ul className="mt-2 flex flex-col gap-2">
        <Way
          title={`Stay with ${describeCapo(capoNow)}`}
          row={rowAt(capoNow)}
          player={player}
          note="No rest is needed."
          chosen={playsAt === capoNow}
          action={`Stay at ${describeCapo(capoNow)} in ${passage.label}`}
          onChoose={() => choose(capoNow)}
        />
        {capoMoved === null ? (
          <li>The capo can’t move along: it would lie off the neck.</li>
        ) : (
          <Way
            title={`Move the capo to ${capoMoved}`}
            row={rowAt(capoMoved)}
            player={player}
            note={`Needs ${needed} beats of rest; ${restBeats === 0 ? "there is none" : `${formatBeats(Math.round(restBeats * 100) / 100)} beats are found`} before it${enough ? "" : ": too short, somebody else has to cover it"}.`}
            chosen={playsAt === capoMoved}
            action={`Move the capo to ${capoMoved} in ${passage.label}`}
            onChoose={() => choose(capoMoved)}
          />
        )}
      </ul>
    </article>
  );
}

function Way({
  title,
  row,
  player,
  note,
  chosen,
  action,
  onChoose,
}: {
  title: string;
  row: AnswerOf<"capo">[number] | undefined;
  player: Player;
  note: string;
  chosen: boolean;
  action: string;
  onChoose: () => void;
}) {
  const namer = useNames()({ player, capo: row?.capo ?? 0 });
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 rounded-field px-2 py-1 ${chosen ? "bg-base-300" : ""}`}
    >
      <strong className="min-w-44">{title}</strong>
      <span data-names="shapes">
        {row ? (
          <>
            shapes of {namer.keyName(row.shapeKey)}:{" "}
            <span className="font-mono">
              {[...new Set(row.chords.map((one) => namer.inCustom(one.shape)))].join("  ")}
            </span>
            , effort {row.effort === null ? "not to be held" : row.effort.toFixed(1)}
          </>
        ) : (
          "…"
        )}
      </span>
      <span className="text-sm">{note}</span>
      <button
        type="button"
        className="btn btn-xs ml-auto"
        disabled={chosen}
        onClick={onChoose}
        aria-label={action}
      >
        {chosen ? "Chosen" : "Do this"}
      </button>
    </li>
  );
}
