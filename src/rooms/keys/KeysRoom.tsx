"use client";

import Link from "next/link";
import { keysOf, versionRow } from "@/core/song/read";
import { byOrder } from "@/document";
import { derive, useDerived, useNames, useRows } from "../open";
import { KeyChoice } from "../song";
import { CapoTable } from "./CapoTable";
import { KeysTabs } from "./KeysTabs";
import { playedChords } from "./played-chords";
import { RaisedUses } from "./RaisedUses";
import { TwoGuitars } from "./TwoGuitars";
import { Voice } from "./Voice";

/** The Keys room: the key for the voice, for each guitar what every capo asks of the hand, two guitars compared. */
export function KeysRoom() {
  const body = useRows("version", "players");
  const { passages } = useDerived(derive.timeline);
  const version = versionRow(body);
  const namer = useNames()();
  const guitars = Object.values(body.players)
    .sort(byOrder)
    .filter((player) => player.instrument === "guitar");
  const unraised = passages.filter((passage) => passage.shift === 0);
  const chords = playedChords(body, unraised.length > 0 ? unraised : passages);
  return (
    <>
      <h1 className="mb-1">Keys</h1>
      <KeysTabs />
      <div className="mb-5 flex flex-wrap items-end gap-4">
        <KeyChoice label="The song sounds in" row />
        <p className="pb-1">
          Written in {namer.keyNamed(version.writtenKey)}.{" "}
          {!version.keySure && "The key is a guess from the chords: look at it first."}
        </p>
      </div>
      <Voice />
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
      {chords.length > 0 && guitars.length > 0 && (
        <>
          <div className="flex flex-col gap-8">
            {guitars.map((player) => (
              <CapoTable
                key={player.id}
                player={player}
                soundingKey={keysOf(body).sounding}
                chords={chords}
              />
            ))}
          </div>
          <p className="mt-4 max-w-3xl text-sm">
            Effort is the mean difficulty of each shape’s first fingering, weighted by the beats it lasts;
            less is easier. Raised sections are reckoned apart, below. Many barres or long stretches can hurt
            a hand, wrist or thumb: stop at numbness or pain, rest, and see a clinician if it stays.
          </p>
          <RaisedUses guitars={guitars} />
          {guitars.length > 1 && <TwoGuitars guitars={guitars} />}
        </>
      )}
    </>
  );
}
