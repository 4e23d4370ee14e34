"use client";

import { useState } from "react";
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
import { tuningOf } from "@/core/song/read";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { TextField } from "@/ui/TextField";
import { useAct } from "../open";
import { checkTuning, splitTuning } from "../players";
import { PlayerChoice, PlayerPage, type PlayerPageProps } from "./PlayerChoice";
import { Tuner } from "./Tuner";

/** Tuning: what each string is, how far it goes to another tuning, and a tuner by ear of the microphone. */
export const TuningPage = () => <PlayerPage>{Retune}</PlayerPage>;

function Retune({ players, player, onPlayer }: PlayerPageProps) {
  const act = useAct();
  const [text, setText] = useState("");
  const from = tuningOf(player);
  const parsed = parseTuning(splitTuning(text));
  const to: Tuning = parsed.ok && parsed.value.length === from.length ? parsed.value : from;
  const moves = tuningMoves(from, to) ?? [];
  const known = NAMED_TUNINGS.filter(({ strings }) => strings.length === from.length);
  const chosen = known.find(({ strings }) => text === strings.join(" "));
  const isOther = moves.some((move) => move.semitones !== 0);
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <PlayerChoice players={players} player={player} onSet={onPlayer} />
        <SelectField
          label="Go to"
          className="w-48"
          value={chosen ? text : ""}
          options={[
            { value: "", label: text === "" ? "as it is now" : "as typed" },
            ...known.map(({ name, strings }) => ({
              value: strings.join(" "),
              label: `${name}: ${strings.map((one) => pretty(one.replace(/\d/u, ""))).join(" ")}`,
            })),
          ]}
          onSet={setText}
        />
        <TextField
          label="or type its strings"
          className="w-72"
          value={text === "" ? formatTuning(from).map(pretty).join(" ") : pretty(text)}
          check={(typed) => {
            const problem = checkTuning(typed);
            if (problem) return problem;
            const count = splitTuning(typed).length;
            return count === from.length
              ? null
              : `${player.name} has ${from.length} strings; this names ${count}.`;
          }}
          onSet={(typed) => setText(splitTuning(typed).join(" "))}
        />
        {isOther && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => {
              act(set("players", player.id, { tuning: formatTuning(to) }));
              setText("");
            }}
          >
            {player.name} is tuned so now
          </button>
        )}
      </div>
      <Moves moves={moves} />
      <Tuner strings={to} />
    </>
  );
}

const describeTurn = ({ semitones }: TuningMove): string =>
  semitones === 0 ? "leave it" : `${semitones > 0 ? "up" : "down"} ${describeSemitones(Math.abs(semitones))}`;

function Moves({ moves }: { moves: readonly TuningMove[] }) {
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
                  <th scope="row">{move.name}</th>
                  <td className="font-mono">{pretty(move.from)}</td>
                  <td className="font-mono">{pretty(move.to)}</td>
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
          <strong>Take care.</strong> {risky.map((move) => move.name).join(" and ")}: more than a whole tone
          above where it is, or than such a string is made for. It may break and hit an eye: protect your
          eyes, turn slowly, keep your face away, or use a string made for that pitch.
        </p>
      )}
    </>
  );
}
