"use client";

import { useState } from "react";
import { boxFor, fittingNotes, joinCold, type OneChord, techniquePattern, tellCounted } from "@/core/parts";
import { tellBars } from "@/core/song/moments";
import { keysOf, meterOf, techniqueOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { ChordDiagram } from "@/ui/ChordDiagram";
import { Neck } from "@/ui/Neck";
import { describePercent } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { StrumBars } from "@/ui/StrumBars";
import { derive, useDerived, useNames, useRows } from "../open";

/** A card for a player who doesn't know the song: one chord, when it comes back, and notes that fit. */
export function JoinCold({ player }: { player: Player }) {
  const [symbol, setSymbol] = useState("");
  const search = useEngine(
    "shape-plan",
    useDerived((body) => derive.planOf(body, player)),
  );
  const namer = useNames()({ player, capo: player.capo });
  const plan = search.data;
  const chords = plan ? joinCold(plan) : [];
  const one = chords.find((chord) => chord.symbol === symbol) ?? chords[0];
  return (
    <section id="joining-cold" aria-label="Joining cold" className="mt-10 rounded-box bg-base-200 p-4">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <h2>Joining cold</h2>
        {one && (
          <SelectField
            label="The one chord"
            className="w-48"
            value={one.symbol}
            options={chords.map((chord) => ({
              value: chord.symbol,
              label: `${namer.readSounding(chord.symbol)}, ${Math.round(chord.share * 100)} % of the song`,
            }))}
            onSet={setSymbol}
          />
        )}
      </div>
      {one ? (
        <Card one={one} player={player} notes={plan ? fittingNotes(plan, namer.soundingKey) : []} />
      ) : (
        <p>
          {plan && !search.isOld && "No chord is played here."}
          <SearchNote search={search} doing="Looking for a chord…" />
        </p>
      )}
    </section>
  );
}

function Card({
  one,
  player,
  notes,
}: {
  one: OneChord;
  player: Player;
  notes: ReturnType<typeof fittingNotes>;
}) {
  const body = useRows("version");
  const { sounding } = keysOf(body);
  const namer = useNames()({ player, capo: player.capo });
  const name = namer.readSounding(one.symbol);
  const box = boxFor(sounding, player);
  const strum = techniquePattern(techniqueOf("beat-strum"), meterOf(body));
  return (
    <div className="flex flex-wrap items-start gap-8">
      <div className="text-center">
        <p className="font-mono text-2xl font-bold">{name}</p>
        <ChordDiagram
          shape={one.fingering}
          name={name}
          capo={player.capo}
          leftHanded={player.leftHanded}
          className="h-36"
        />
      </div>
      <div>
        <h3 className="font-bold">Play only this, each time it comes</h3>
        <ul>
          {one.returns.map(({ label, bars, counted }) => (
            <li key={label}>
              {tellBars([...new Set(bars)].sort((a, b) => a - b).join(", "), label)}
              {counted && <>: {tellCounted(counted)}</>}
            </li>
          ))}
        </ul>
        {player.instrument === "bass" ? (
          <p className="mt-1 text-sm">Its root on the one; between, let it ring or damp it.</p>
        ) : (
          <>
            <p className="mt-1 text-sm">Between, damp the strings and keep the strum:</p>
            {strum && <StrumBars pattern={strum} />}
          </>
        )}
        {notes.length > 0 && (
          <>
            <h3 className="mt-2 font-bold">Notes that fit</h3>
            <ul>
              {notes.map(({ pitchClass, share, rubs }) => (
                <li key={pitchClass}>
                  <span className="font-mono font-bold">{namer.noteOf(pitchClass)}</span>, a tone of the chord
                  in {describePercent(share)} of the song
                  {rubs > 0 && `, a rub in ${describePercent(rubs)}`}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      {box && (
        <div className="min-w-72 flex-1">
          <h3 className="font-bold">
            Or single notes: {box.scale}, frets {box.from === 0 ? "open" : box.from} to {box.to}
          </h3>
          <Neck
            strings={namer.strings()}
            marks={box.places.map((place) => ({ ...place, label: namer.noteNamed(place.note) }))}
            from={box.from}
            to={Math.max(box.to, 4)}
            capo={player.capo}
            leftHanded={player.leftHanded}
            length={360}
            title={`${box.scale} box`}
            className="w-full max-w-xl"
          />
        </div>
      )}
    </div>
  );
}
