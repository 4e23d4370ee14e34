"use client";

import { useState } from "react";
import { BASS_WAYS, type BassWay, CHORD_LINES, type ChordLineKind } from "@/core/fretboard";
import type { Riff } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import { BASS_WORDS, type MakeLineProps, STRUCK, type Struck, useMakeLine } from "./use-make-line";

/** Lines drawn up from the chords of a section: a bass line, notes on the changes, a lick set on each root, a picking cell on moving shapes. */
export function MakeLine(props: MakeLineProps) {
  const { row, player, riff } = props;
  const made = useMakeLine(props);
  if (!made) return null;
  return (
    <section aria-label="Drawn up from the chords" className="mt-8 rounded-box bg-base-200 p-4">
      <h2>Drawn up from the chords of {row.label}</h2>
      <p className="text-sm">As a start; each becomes a line of {player.name}’s that can be changed.</p>
      <BassFields made={made} />
      <ChangesFields made={made} />
      {riff && <FollowFields made={made} riff={riff} />}
      <CellFields made={made} />
      <p role="status" className="mt-2 text-sm font-bold">
        {made.said}
      </p>
    </section>
  );
}

type Made = { readonly made: NonNullable<ReturnType<typeof useMakeLine>> };

function BassFields({ made }: Made) {
  const [way, setWay] = useState<BassWay>("roots");
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <SelectField
        label="Bass line"
        className="w-60"
        value={way}
        options={BASS_WAYS.map((value) => ({ value, label: BASS_WORDS[value] }))}
        onSet={(value) => setWay(value)}
      />
      <button type="button" className="btn btn-sm" onClick={() => made.drawBass(way)}>
        Draw up the bass line
      </button>
    </div>
  );
}

function ChangesFields({ made }: Made) {
  const [kind, setKind] = useState<ChordLineKind>("single notes");
  const [struck, setStruck] = useState<Struck>("once a chord");
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <SelectField
        label="Line on the changes"
        className="w-60"
        value={kind}
        options={CHORD_LINES.map((value) => ({ value, label: value }))}
        onSet={(value) => setKind(value)}
      />
      <SelectField
        label="Struck"
        className="w-40"
        value={struck}
        options={STRUCK.map((value) => ({ value, label: value }))}
        onSet={(value) => setStruck(value)}
      />
      <button type="button" className="btn btn-sm" onClick={() => made.drawLine(kind, struck)}>
        Draw up the line
      </button>
      <p className="w-full text-sm">
        Root, third or fifth of each chord: what moves least, and what nobody else plays, on the part’s
        strings and about its fret.
      </p>
    </div>
  );
}

function FollowFields({ made, riff }: Made & { readonly riff: Riff }) {
  const [approach, setApproach] = useState(false);
  const [home, setHome] = useState("");
  const over = made.symbols.includes(home) ? home : (made.symbols[0] ?? "");
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <SelectField
        label={`${riff.name} is written over`}
        className="w-44"
        value={over}
        options={made.symbols.map((symbol) => ({ value: symbol, label: made.chordName(symbol) }))}
        onSet={setHome}
      />
      <Tick label="led into from one fret below" on={approach} onSet={setApproach} />
      <button type="button" className="btn btn-sm" onClick={() => made.drawFollowed(over, approach)}>
        Set it on each chord’s root
      </button>
      <p className="w-full text-sm">It stays one lick: where a chord is changed, it goes along.</p>
    </div>
  );
}

function CellFields({ made }: Made) {
  const [cell, setCell] = useState("");
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        made.drawCell(cell);
      }}
    >
      <label className="flex flex-col gap-1 text-sm">
        Picking cell: strings in order, 1 is the highest
        <input
          className="input input-sm w-60"
          value={cell}
          placeholder="5 3 2 3"
          onChange={(event) => setCell(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={!made.hasPlan}>
        Pick it over the shapes
      </button>
    </form>
  );
}
