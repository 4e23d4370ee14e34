"use client";

import Link from "next/link";
import { scaleMmOf } from "@/core/parts";
import { beatsOfTicks } from "@/core/rhythm";
import { byOrder, namerByShift, type Player, set, type VersionBody, versionRow } from "@/core/song";
import { pretty, sayCapo, sayKey } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { type CapoRow, useCapoTable } from "@/workers";
import { derive, useAct, useVersion } from "../document";
import { keyChoices } from "../song/Settings";

/** Every chord that is played, as it sounds, with the beats it lasts over the whole form. */
export function playedChords(body: VersionBody): { symbol: string; beats: number }[] {
  const version = versionRow(body);
  const ticks = new Map<string, number>();
  const namerAt = namerByShift(body);
  for (const { lines, shift } of derive.timeline(body).passages) {
    const namer = namerAt(shift);
    for (const { outline } of lines)
      for (const { chord: placed } of outline.chords) {
        const { chord, sounding } = namer.name(placed.symbol);
        if (chord && placed.ticks > 0) ticks.set(sounding, (ticks.get(sounding) ?? 0) + placed.ticks);
      }
  }
  return [...ticks].map(([symbol, length]) => ({ symbol, beats: beatsOfTicks(length, version.beatUnit) }));
}

/** The Keys room: the sounding key, and for each guitar what every capo would ask of the hand. */
export function KeysRoom() {
  const body = useVersion();
  const act = useAct();
  const version = versionRow(body);
  const guitars = Object.values(body.players)
    .sort(byOrder)
    .filter((player) => player.instrument === "guitar");
  const chords = playedChords(body);
  return (
    <>
      <h1 className="mb-1">Keys</h1>
      <div className="mb-5 flex flex-wrap items-end gap-4">
        <SelectField
          label="The song sounds in"
          className="w-44"
          value={version.key}
          options={keyChoices(version.key).map((key) => ({ value: key, label: sayKey(key) }))}
          onSet={(key) => act(set("version", version.id, { key, keySure: true }))}
        />
        <p className="pb-1">
          Written in {pretty(version.writtenKey)}.{" "}
          {!version.keySure && "The key is a guess from the chords: look at it first."}
        </p>
      </div>
      {chords.length === 0 && (
        <p className="mb-3 rounded-box bg-base-200 p-4">
          No chord is played yet. Put chords in the Song room, and sections in its form.
        </p>
      )}
      {guitars.length === 0 && (
        <p className="rounded-box bg-base-200 p-4">
          No guitar plays yet.{" "}
          <Link className="link font-bold" href="players">
            Add one in Players
          </Link>
          ; its capo table stands here then.
        </p>
      )}
      <div className="flex flex-col gap-8">
        {chords.length > 0 &&
          guitars.map((player) => (
            <CapoTable key={player.id} player={player} soundingKey={version.key} chords={chords} />
          ))}
      </div>
      <p className="mt-6 max-w-3xl text-sm">
        Effort is the mean difficulty of each shape’s easiest fingering, weighted by the beats it lasts; less
        is easier. Many barres or long stretches can hurt a hand, wrist or thumb: stop at numbness or pain,
        rest, and see a clinician if it stays.
      </p>
    </>
  );
}

function CapoTable({
  player,
  soundingKey,
  chords,
}: {
  player: Player;
  soundingKey: string;
  chords: readonly { symbol: string; beats: number }[];
}) {
  const act = useAct();
  const rows = useCapoTable({
    key: soundingKey,
    chords,
    tuning: player.tuning,
    level: player.level,
    scaleMm: scaleMmOf(player),
  });
  const choose = (capo: number) => act(set("players", player.id, { capo }));
  return (
    <section aria-label={`Capo table of ${player.name}`}>
      <h2>
        {player.name}: {sayCapo(player.capo)} now
      </h2>
      {rows === null ? (
        <p className="py-3">Working out ten capos…</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table table-sm mt-1 w-auto">
            <thead className="text-base-content">
              <tr>
                <th scope="col">Capo</th>
                <th scope="col">Shapes of</th>
                <th scope="col">What the hand plays</th>
                <th scope="col">Effort</th>
                <th scope="col">Hardest</th>
                <th scope="col">
                  <span className="sr-only">Choose</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <CapoLine
                  key={row.capo}
                  row={row}
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

function CapoLine({
  row,
  chosen,
  most,
  onChoose,
}: {
  row: CapoRow;
  chosen: boolean;
  most: number;
  onChoose: () => void;
}) {
  const shapes = [...new Set(row.chords.map((chord) => chord.shape))];
  return (
    <tr
      className={chosen ? "bg-base-300 font-bold" : "hover:bg-base-200"}
      aria-current={chosen ? "true" : undefined}
    >
      <th scope="row">{row.capo}</th>
      <td>{pretty(row.shapeKey)}</td>
      <td className="font-mono">{shapes.map(pretty).join("  ")}</td>
      <td className="whitespace-nowrap">
        {row.effort === null ? (
          "no fingering"
        ) : (
          <>
            <span
              aria-hidden="true"
              className="mr-2 inline-block h-2 bg-base-content align-middle"
              style={{ width: `${(64 * row.effort) / Math.max(1, most)}px` }}
            />
            {row.effort.toFixed(1)}
          </>
        )}
      </td>
      <td>
        {row.hardest && (
          <>
            <span className="font-mono">{pretty(row.hardest.shape)}</span>{" "}
            {row.hardest.difficulty === null ? "can’t be held" : row.hardest.difficulty.toFixed(1)}
          </>
        )}
      </td>
      <td>
        <button type="button" className="btn btn-xs" disabled={chosen} onClick={onChoose}>
          {chosen ? "Chosen" : row.capo === 0 ? "Play without capo" : `Put capo on ${row.capo}`}
        </button>
      </td>
    </tr>
  );
}
