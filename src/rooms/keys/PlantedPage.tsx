"use client";

import { useState } from "react";
import { capital } from "@/base";
import { type Colour, parseChord } from "@/core/chord";
import { describeFingers, describePlanted, type PlantedPoint } from "@/core/fretboard";
import { handOf, optionsOf, type PlanRequest } from "@/core/parts";
import { batch, chooseShape, set } from "@/core/song/edit";
import { resolveCell, spotOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import type { QuestionOf } from "@/engines/window";
import { useEngine, useProgress } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { describeCapo, describePercent } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { Tick } from "@/ui/Tick";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames } from "../open";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";

const CAPOS = [0, 1, 2, 3, 4, 5, 6, 7] as const;
const COLOUR_WORDS: readonly (readonly [Colour, string])[] = [
  ["add9", "added second"],
  ["sus2", "second for the third"],
  ["sus4", "fourth for the third"],
  ["7", "seventh"],
  ["6", "sixth"],
  ["maj7", "major seventh"],
];
const MOST_CHANGES = 120;

/** Planted fingers: one or two that stay down through the song, over capos and allowed colours together. */
export const PlantedPage = () => (
  <PlayerPage fits={(one) => one.instrument === "guitar"}>{Search}</PlayerPage>
);

/** What is played from first to last, without what the player sits out. */
const changesOf = (request: PlanRequest) =>
  request.runs
    .flatMap((run) => run.events.map(({ symbol, beats }) => ({ symbol, beats })))
    .slice(0, MOST_CHANGES);

type Asked = {
  readonly playerId: string;
  readonly changes: readonly { readonly symbol: string; readonly beats: number }[];
  readonly question: QuestionOf<"planted">;
};

function Search({ players, player, onPlayer }: PlayerPageProps) {
  const index = useDerived(derive.cellIndex);
  const [capos, setCapos] = useState<readonly number[]>([...new Set([0, 2, player.capo])].sort());
  const [allow, setAllow] = useState<readonly Colour[]>(["add9", "sus4", "7"]);
  const request = useDerived((body) => derive.planOf(body, player));
  const changes = changesOf(request);
  const [asked, setAsked] = useState<Asked | null>(null);
  const search = useEngine("planted", asked?.question ?? null, asked);
  const { share, soFar } = useProgress("planted", asked?.question ?? null);
  // What was found for one player's chords is not shown for another's.
  const isOwn = (one: Asked | null): one is Asked => one?.playerId === player.id;
  const found = isOwn(search.beside) ? { asked: search.beside, answer: search.data } : null;
  const growing = search.isWorking && isOwn(asked) ? { asked, answer: soFar } : null;
  const shown = growing?.answer ? growing : found;
  // The last arrangements stand again; the search for newer ones ends with its question.
  const stop = () => setAsked(search.beside);
  const use = useDerived(derive.outline).form[0];
  const find = () => {
    if (!use) return;
    const hand = handOf(player, resolveCell(index, use, player));
    const { capo: _capo, ...options } = optionsOf({ ...hand, style: "full", strings: null });
    setAsked({
      playerId: player.id,
      changes,
      question: {
        changes: changes.flatMap(({ symbol, beats }) => {
          const chord = parseChord(symbol);
          return chord.ok ? [{ kind: "chord", chord: chord.value, beats } as const] : [];
        }),
        options: {
          ...options,
          // The player's own capo first, so that it is the first to be seen.
          capos: [...capos].sort((a, b) => Number(b === player.capo) - Number(a === player.capo) || a - b),
          allow,
          beatMs: request.beatMs,
          gaps: "skip",
        },
      },
    });
  };
  return (
    <>
      <p className="mb-3 max-w-3xl">
        A finger that never leaves its string makes every change easier. With it, plain chords become
        suspended and added ones; each arrangement says how many of its beats are still as the chart has them.
      </p>
      <div className="mb-4 flex flex-wrap items-end gap-6">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
        <Ticks
          label="Capos to try"
          options={CAPOS.map((capo) => [capo, capo === 0 ? "none" : String(capo)])}
          chosen={capos}
          onSet={setCapos}
        />
        <Ticks label="Colours the chords may take" options={COLOUR_WORDS} chosen={allow} onSet={setAllow} />
        {search.isWorking ? (
          <span className="flex items-center gap-3">
            <progress className="progress w-40" max={1} value={share} aria-label="Searching" />
            <button type="button" className="btn btn-sm" onClick={stop}>
              Stop
            </button>
          </span>
        ) : (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={capos.length === 0 || changes.length < 2}
            onClick={find}
          >
            Find fingers to plant
          </button>
        )}
      </div>
      {capos.length === 0 && <p>Tick at least one capo.</p>}
      {changes.length < 2 && <p>{player.name} plays fewer than two chords: there is no change to plan.</p>}
      {search.error && <SearchNote search={search} doing="" />}
      {shown?.answer && (
        <Front
          answer={shown.answer}
          isWorking={shown === growing}
          player={player}
          changes={shown.asked.changes}
        />
      )}
      {search.problem && <p>No way through these chords was found for this hand.</p>}
    </>
  );
}

/** Choices of which several may be ticked. */
function Ticks<Value extends string | number>({
  label,
  options,
  chosen,
  onSet,
}: {
  label: string;
  options: readonly (readonly [Value, string])[];
  chosen: readonly Value[];
  onSet: (chosen: readonly Value[]) => void;
}) {
  return (
    <fieldset>
      <legend className="text-sm">{label}</legend>
      <div className="flex flex-wrap gap-x-3">
        {options.map(([value, words]) => (
          <Tick
            key={value}
            label={words}
            on={chosen.includes(value)}
            onSet={(on) => onSet(on ? [...chosen, value] : chosen.filter((one) => one !== value))}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** Arrangements of which none is better in all respects, the most held first. */
function Front({
  answer: { front, exact },
  isWorking,
  player,
  changes,
}: {
  answer: { readonly front: readonly PlantedPoint[]; readonly exact: boolean };
  /** Whether more is being looked for. */
  isWorking: boolean;
  player: Player;
  changes: Asked["changes"];
}) {
  return (
    <>
      <h2 className="mb-1">{front.length} arrangements, from the most held to the most faithful</h2>
      <p className="mb-3 text-sm">
        {isWorking
          ? "Found so far; the search goes on."
          : exact
            ? "None with these capos and colours is better in one respect without being worse in another."
            : "The best found in the time given; there may be better ones."}{" "}
        Frets count from the capo.
      </p>
      <ol className="flex flex-col gap-4">
        {[...front]
          .sort((a, b) => b.held - a.held || b.faithfulness - a.faithfulness)
          .map((point) => (
            <Point
              key={`${point.capo} ${point.held} ${point.effort}`}
              point={point}
              player={player}
              changes={changes}
            />
          ))}
      </ol>
    </>
  );
}

function Point({
  point,
  player,
  changes,
}: {
  point: PlantedPoint;
  player: Player;
  changes: readonly { symbol: string }[];
}) {
  const current = useCurrentVersion();
  const act = useAct();
  const namer = useNames()({ player, capo: point.capo });
  const strings = namer.strings();
  const shapes = new Map<string, { symbol: string; index: number }>();
  for (const [index, { symbol }] of changes.entries()) {
    const frets = point.path[index]?.frets.join() ?? "";
    if (!shapes.has(`${symbol} ${frets}`)) shapes.set(`${symbol} ${frets}`, { symbol, index });
  }
  const take = () => {
    const chosen = new Set<string>();
    const commands = [...shapes.values()].flatMap(({ symbol, index }) => {
      const shape = point.path[index]!;
      if (chosen.has(symbol) || shape.pitches.length === 0) return [];
      chosen.add(symbol);
      const spot = spotOf(
        player,
        { capo: point.capo, style: "full", strings: null },
        { useId: "", sectionId: "", chordId: "", symbol },
      );
      const command = chooseShape(
        current(),
        spot,
        "symbol",
        { frets: [...shape.frets], fingers: [...shape.fingers] },
        makeId,
      );
      return command.type === "batch" ? command.commands : [command];
    });
    act(batch("Take planted fingers", [set("players", player.id, { capo: point.capo }), ...commands]));
  };
  return (
    <li className="rounded-box bg-base-200 p-4">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <strong>{capital(describePlanted(point, (symbol) => namer.readSounding(symbol)))}</strong>
        <span>{describeCapo(point.capo)}</span>
        <span>effort {point.effort.toFixed(2)} a beat</span>
        <span>{describePercent(point.faithfulness)} of the beats as the chart has them</span>
        <button type="button" className="btn btn-sm ml-auto" onClick={take}>
          Take these shapes
        </button>
      </div>
      {point.planted.length > 0 && (
        <p className="text-sm">
          {point.planted
            .map(
              (one) =>
                `${capital(describeFingers([one.finger]))} on ${strings[one.string]}, fret ${one.fret}, through ${one.changes}`,
            )
            .join("; ")}
          .
        </p>
      )}
      <ul className="mt-2 flex flex-wrap gap-3">
        {[...shapes.values()].map(({ symbol, index }) => {
          const shape = point.path[index]!;
          return (
            <li key={`${symbol} ${shape.frets.join()}`} className="text-center">
              <span className="font-mono font-bold">{namer.readSounding(symbol)}</span>
              <ChordDiagram
                shape={shape}
                name={namer.readSounding(symbol)}
                capo={point.capo}
                leftHanded={player.leftHanded}
                className="h-24"
              />
              <span className="block text-xs">
                {shape.is === symbol ? "as written" : namer.readSounding(shape.is)}
              </span>
            </li>
          );
        })}
      </ul>
    </li>
  );
}
