"use client";

import Link from "next/link";
import { tellBar } from "@/core/song/moments";
import { tuningOf } from "@/core/song/read";
import { type HarmonyView, handTab, harmonyViews } from "@/core/sounds";
import { useNames, useOpenSong } from "../../open";
import type { Tones } from "../use-sounds";

/** What a harmony effect would sound against the chords, and the same by hand on two strings. */
export function HarmonyList({ tones }: { tones: Tones }) {
  const { version } = useOpenSong();
  const views = harmonyViews(tones.body, tones.song);
  return (
    <section aria-labelledby="harmony-title" className="mb-8">
      <h2 id="harmony-title" className="mb-1">
        Harmony
      </h2>
      {views.length === 0 ? (
        <p className="text-sm">
          No sound has the harmony effect on.{" "}
          <Link className="link" href={`/song/${version.id}/sounds`}>
            Set one in the ledger
          </Link>
          , and the notes it adds stand here against the chords.
        </p>
      ) : (
        views.map((view) => <View key={view.soundUse.span.use.id} view={view} tones={tones} />)
      )}
    </section>
  );
}

function View({ view, tones }: { view: HarmonyView; tones: Tones }) {
  const { soundUse, choice, notes, isLine, hand } = view;
  const { part, span } = soundUse;
  const namer = useNames()({ player: part.player, capo: part.cell.capo.value }, span.use.shift);
  const strings = Math.max(1, tuningOf(tones.song.player).length || 6);
  const clashes = notes.filter((note) => note.clashes);
  const left = hand.route.filter((pick) => pick === null).length;
  return (
    <div className="mb-5">
      <h3 className="font-bold">
        {soundUse.span.label}: “{soundUse.sound}”, a {choice}
      </h3>
      <p className="mb-2 text-sm" aria-live="polite">
        {isLine
          ? "The notes of the line written here."
          : "No line is written here: the root of each chord stands for it."}{" "}
        {clashes.length === 0
          ? "What the effect adds fits every chord."
          : `${clashes.length} of ${notes.length} added notes grate against the chord: switch it off there, or play the pair by hand and leave them out.`}
      </p>
      <ol className="flex flex-wrap gap-y-3 font-mono" aria-label="Added notes over played ones">
        {notes.map((note, at) => (
          <li key={at} className="flex w-12 flex-col border-t border-base-300">
            <span className="h-5 font-sans text-xs whitespace-nowrap">
              {note.moment.songBar !== notes[at - 1]?.moment.songBar ? tellBar(note.moment) : ""}
            </span>
            <span className="h-6 whitespace-nowrap">
              {note.chord !== notes[at - 1]?.chord ? namer.readSounding(note.chord) : ""}
            </span>
            <span className={`w-11 px-0.5 ${note.clashes ? "bg-base-content text-base-100" : ""}`}>
              {namer.pitchRead(note.harmony)}
              {note.clashes && <span className="sr-only"> clashes</span>}
            </span>
            <span className="px-0.5">{namer.pitchRead(note.note)}</span>
          </li>
        ))}
      </ol>
      <details className="mt-2">
        <summary className="cursor-pointer">No such effect at hand: the same on two strings</summary>
        <pre className="mt-1 overflow-x-auto font-mono text-sm">{handTab(hand, strings).join("\n")}</pre>
        <p className="text-sm">
          The high string first, frets from the capo; the way that moves the hand least (
          {Math.round(hand.routeMm)} mm along the neck).
          {left > 0 && ` ${left} notes can't be given on two strings.`} Rest a hand that aches.
        </p>
      </details>
    </div>
  );
}
