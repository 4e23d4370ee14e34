"use client";

import Link from "next/link";
import { useState } from "react";
import { compareGuitars, type GuitarComparison } from "@/core/parts";
import { describeSemitones } from "@/core/pitch";
import type { Namer } from "@/core/song/names";
import type { Player } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { describeCapo, describePercent } from "@/ui/pretty";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { derive, useDerived, useNames, useOpenSong } from "../open";

/** Two guitars side by side: how far apart they sound, and where they are one guitar twice. */
export function TwoGuitars({ guitars }: { guitars: readonly Player[] }) {
  const [picked, setPicked] = useState<readonly [string, string]>(["", ""]);
  const first = guitars.find((one) => one.id === picked[0]) ?? guitars[0]!;
  const second =
    guitars.find((one) => one.id === picked[1] && one !== first) ?? guitars.find((one) => one !== first)!;
  const ofFirst = useEngine(
    "shape-plan",
    useDerived((body) => derive.planOf(body, first)),
  );
  const ofSecond = useEngine(
    "shape-plan",
    useDerived((body) => derive.planOf(body, second)),
  );
  const [a, b] = [ofFirst.data, ofSecond.data];
  const options = guitars.map((one) => ({ value: one.id, label: one.name }));
  const { version } = useOpenSong();
  return (
    <section aria-label="Two guitars" className="mt-8">
      <h2 className="mb-2">Two guitars</h2>
      <p className="mb-2">
        <Link className="link font-bold" href={`/song/${version.id}/parts/two-guitars`}>
          Ways to be two instruments
        </Link>
      </p>
      {guitars.length > 2 && (
        <div className="mb-2 flex flex-wrap gap-3">
          <SelectField
            label="One"
            className="w-40"
            value={first.id}
            options={options}
            onSet={(id) => setPicked([id, picked[1]])}
          />
          <SelectField
            label="The other"
            className="w-40"
            value={second.id}
            options={options}
            onSet={(id) => setPicked([picked[0], id])}
          />
        </div>
      )}
      {a && b ? (
        <Compared first={first} second={second} compared={compareGuitars(a, b)} />
      ) : (
        <p className="py-2">
          <SearchNote
            search={ofFirst.error ? ofFirst : ofSecond.error ? ofSecond : { ...ofFirst, isOld: true }}
            doing="Laying the two side by side…"
          />
        </p>
      )}
    </section>
  );
}

function Compared({
  first,
  second,
  compared,
}: {
  first: Player;
  second: Player;
  compared: GuitarComparison;
}) {
  const namer = useNames()();
  if (compared.chords.length === 0) return <p>They never play a chord both.</p>;
  const { higher, doubled } = compared;
  const where =
    Math.abs(higher) < 0.5
      ? `${first.name} and ${second.name} sound at the same height`
      : `${second.name} sounds ${describeSemitones(Math.abs(higher))} ${higher > 0 ? "above" : "below"} ${first.name} on the mean`;
  const verdict =
    doubled >= 0.6
      ? "That is nearly one guitar twice: another capo, or small shapes for one of them, would part them."
      : doubled >= 0.3
        ? "They overlap in part."
        : "They keep out of each other’s way.";
  return (
    <>
      <p className="mb-2 max-w-3xl">
        {where}; {describePercent(doubled)} of what sounds is doubled. {verdict}
      </p>
      <div className="overflow-x-auto">
        <table data-names="sounding" className="table table-sm w-auto">
          <thead className="text-base-content">
            <tr>
              <th scope="col">Sounds</th>
              <th scope="col">
                {first.name}, {describeCapo(first.capo)}
              </th>
              <th scope="col">
                {second.name}, {describeCapo(second.capo)}
              </th>
              <th scope="col">Apart</th>
              <th scope="col">Doubled</th>
            </tr>
          </thead>
          <tbody>
            {compared.chords.map((pair) => (
              <tr key={pair.symbol}>
                <th scope="row" className="font-mono">
                  {namer.inCustom(pair.symbol)}
                </th>
                <td>
                  <Pitches pitches={pair.a} shared={pair.shared} namer={namer} />
                </td>
                <td>
                  <Pitches pitches={pair.b} shared={pair.shared} namer={namer} />
                </td>
                <td className="whitespace-nowrap">{describeSemitones(Math.abs(pair.apart))}</td>
                <td>
                  {pair.shared.length === 0
                    ? "nothing"
                    : `${pair.shared.length} of ${Math.max(pair.a.length, pair.b.length)}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-sm">Pitches both sound are underlined.</p>
    </>
  );
}

const Pitches = ({
  pitches,
  shared,
  namer,
}: {
  pitches: readonly string[];
  shared: readonly string[];
  namer: Namer;
}) => (
  <span className="font-mono text-sm">
    {pitches.map((pitch, index) => (
      <span key={`${pitch}-${index}`}>
        {index > 0 && " "}
        <span className={shared.includes(pitch) ? "font-bold underline decoration-2" : ""}>
          {namer.pitchNamed(pitch)}
        </span>
      </span>
    ))}
  </span>
);
