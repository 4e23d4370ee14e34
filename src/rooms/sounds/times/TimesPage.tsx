"use client";

import Link from "next/link";
import { describeNote } from "@/core/rhythm";
import { versionRow } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { DELAY_NOTES, delayMs, isDelay, timedSettings } from "@/core/sounds";
import { useOpenSong } from "../../open";
import { ToneNotes } from "../SoundNotes";
import { SoundsPage } from "../SoundsPlayer";
import { type Tones, useTones } from "../use-sounds";
import { HarmonyList } from "./HarmonyList";
import { TapTempo } from "./TapTempo";

/** Times that follow the song, and what a harmony effect would sound. */
export const TimesPage = () => <SoundsPage>{Times}</SoundsPage>;

const WORDS = {
  delay: "delay",
  delay2: "second delay",
  tremolo: "tremolo",
  "modulation.rate": "modulation",
} as const;

function Times({ player }: { player: Player }) {
  const tones = useTones(player);
  return (
    <>
      <ToneNotes tones={tones} />
      <FollowSong tones={tones} />
      <TapTempo tones={tones} />
      <NoteTable tones={tones} />
      <HarmonyList tones={tones} />
    </>
  );
}

const round = (ms: number): string => `${Math.round(ms)} ms`;

/** Settings of the sounds that go with the tempo, in ms and as a rate. */
function FollowSong({ tones }: { tones: Tones }) {
  const { song } = tones;
  const { version } = useOpenSong();
  const timed = timedSettings(song);
  return (
    <section aria-labelledby="follow-title" className="mb-8">
      <h2 id="follow-title" className="mb-1">
        Times that follow the song
      </h2>
      {timed.length === 0 ? (
        <p className="text-sm">
          No sound has a delay, a tremolo or a modulation yet.{" "}
          <Link className="link" href={`/song/${version.id}/sounds`}>
            Set one in the ledger
          </Link>
          .
        </p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table table-sm w-auto">
            <thead>
              <tr className="text-base-content">
                <th scope="col">Sound</th>
                <th scope="col">What</th>
                <th scope="col">Note value</th>
                <th scope="col">At</th>
                <th scope="col">Set it to</th>
                <th scope="col">Rate</th>
                <th scope="col">On this box</th>
              </tr>
            </thead>
            <tbody>
              {timed.map((one) => (
                <tr key={`${one.sound} ${one.key} ${one.tempo.bpm}`}>
                  <th scope="row">{one.sound}</th>
                  <td>{WORDS[one.key]}</td>
                  <td>{one.note === null ? "set by ms" : describeNote(one.note)}</td>
                  <td>
                    {one.tempo.bpm} a minute, from {one.soundUse.span.label}
                  </td>
                  <td className="font-bold">{round(one.ms)}</td>
                  <td>{(1000 / one.ms).toFixed(2)} a second</td>
                  <td className={one.tooLong ? "font-bold text-error" : ""}>
                    {one.tooLong
                      ? `too long: at most ${one.tooLong.mostMs} ms${one.tooLong.instead === null ? "" : `, a ${describeNote(one.tooLong.instead)}`}`
                      : isDelay(one.key) && song.box.longestDelayMs === null
                        ? "its longest delay is not known"
                        : "fits"}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** Every usual note value at the song's tempo. */
function NoteTable({ tones }: { tones: Tones }) {
  const { bpm, beatUnit } = versionRow(tones.body);
  const most = tones.song.box.longestDelayMs;
  return (
    <section aria-labelledby="notes-title" className="mb-8">
      <h2 id="notes-title" className="mb-1">
        Note values at {bpm} a minute
      </h2>
      <ul className="flex flex-wrap gap-x-6 gap-y-1">
        {DELAY_NOTES.map((note) => {
          const ms = delayMs(bpm, beatUnit, note);
          const isOver = most !== null && ms > most;
          return (
            <li key={note} className="w-44">
              {describeNote(note)} <strong>{round(ms)}</strong>
              {isOver && <span className="text-sm text-error"> too long</span>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
