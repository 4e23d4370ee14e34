"use client";

import { useState } from "react";
import { unwrap } from "@/base";
import {
  describeSemitones,
  formatTuning,
  hzOf,
  NAMED_TUNINGS,
  parsePitch,
  parseTuning,
  type Tuning,
  type TuningMove,
  tuningMoves,
} from "@/core/pitch";
import { set } from "@/core/song/edit";
import type { Namer } from "@/core/song/names";
import { tuningOf } from "@/core/song/read";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { useAct, useNames } from "../open";
import { readTuningText } from "../players";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";
import { Tuner } from "./Tuner";

/** Tuning: what each string is, how far it goes to another tuning, and a tuner by ear of the microphone. */
export const TuningPage = () => <PlayerPage>{Retune}</PlayerPage>;

function Retune({ players, player, onPlayer }: PlayerPageProps) {
  const act = useAct();
  const [said, setSaid] = useState<Tuning | null>(null);
  const from = tuningOf(player);
  const to = said ?? from;
  const namer = useNames()({ player, capo: player.capo });
  const moves = tuningMoves(from, to) ?? [];
  const known = NAMED_TUNINGS.filter(({ strings }) => strings.length === from.length);
  const chosen = known.find(({ strings }) => said !== null && sameTuning(strings, said));
  const isOther = moves.some((move) => move.semitones !== 0);
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
        <SelectField
          label="Go to"
          className="w-48"
          value={chosen ? chosen.strings.join(" ") : ""}
          options={[
            { value: "", label: said === null ? "as it is now" : "as typed" },
            ...known.map(({ name, strings }) => ({
              value: strings.join(" "),
              label: `${name}: ${lettersOf(strings, namer)}`,
            })),
          ]}
          onSet={(strings) => setSaid(strings === "" ? null : unwrap(parseTuning(strings.split(" "))))}
        />
        <TextField
          label="or type its strings, or words"
          className="w-72"
          value={namer.tuning(to).join(" ")}
          offered={["half step down", "whole step down", "Drop D", "standard"]}
          check={(typed) => {
            const read = readTuningText(typed, from.length);
            if (!read.ok) return read.problem;
            const count = read.value.tuning.length;
            return count === from.length
              ? null
              : `${player.name} has ${from.length} strings; this names ${count}.`;
          }}
          onSet={(typed) => {
            const read = readTuningText(typed, from.length);
            if (read.ok) setSaid(read.value.tuning);
          }}
        />
        {isOther && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => {
              act(set("players", player.id, { tuning: formatTuning(to) }));
              setSaid(null);
            }}
          >
            {player.name} is tuned so now
          </button>
        )}
      </div>
      <Moves moves={moves} namer={namer} />
      <Tuner strings={to} />
    </>
  );
}

const sameTuning = (strings: readonly string[], tuning: Tuning): boolean =>
  unwrap(parseTuning(strings)).every((midi, string) => midi === tuning[string]);

/** The notes of a tuning without their octaves. */
const lettersOf = (strings: readonly string[], namer: Namer): string =>
  namer
    .tuning(unwrap(parseTuning(strings)))
    .map((one) => one.replace(/-?\d+$/u, ""))
    .join(" ");

const describeTurn = ({ semitones }: TuningMove): string =>
  semitones === 0 ? "leave it" : `${semitones > 0 ? "up" : "down"} ${describeSemitones(Math.abs(semitones))}`;

function Moves({ moves, namer }: { moves: readonly TuningMove[]; namer: Namer }) {
  const pitches = (which: "from" | "to") => moves.map((move) => unwrap(parsePitch(move[which])));
  const names = namer.strings(pitches("from"));
  const [now, then] = [namer.tuning(pitches("from")), namer.tuning(pitches("to"))];
  const risky = moves.filter((move) => move.mayBreak);
  return (
    <>
      <div className="overflow-x-auto">
        <table className="table table-sm w-auto">
          <thead className="text-base-content">
            <tr>
              <th scope="col">String</th>
              <th scope="col">Now</th>
              <th scope="col">To</th>
              <th scope="col">Turn</th>
              <th scope="col">Sounds at</th>
            </tr>
          </thead>
          <tbody>
            {moves.map((move) => {
              const pitch = parsePitch(move.to);
              return (
                <tr key={move.string} className={move.semitones === 0 ? "" : "bg-base-200 font-bold"}>
                  <th scope="row">{names[move.string]}</th>
                  <td className="font-mono">{now[move.string]}</td>
                  <td className="font-mono">{then[move.string]}</td>
                  <td>
                    {describeTurn(move)}
                    {move.mayBreak && " — may break"}
                  </td>
                  <td>{pitch.ok ? `${hzOf(pitch.value).toFixed(1)} Hz` : ""}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {risky.length > 0 && (
        <p role="alert" className="mt-2 max-w-2xl rounded-box border-2 border-current p-3">
          <strong>Take care.</strong> {risky.map((move) => names[move.string]).join(" and ")}: more than a
          whole tone above where it is, or than such a string is made for. It may break and hit an eye:
          protect your eyes, turn slowly, keep your face away, or use a string made for that pitch.
        </p>
      )}
    </>
  );
}
