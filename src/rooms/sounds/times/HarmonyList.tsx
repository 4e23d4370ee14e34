"use client";

import Link from "next/link";
import { GUITAR_TUNING, parseTuning } from "@/core/pitch";
import { tellBar } from "@/core/song/moments";
import { tuningOf } from "@/core/song/read";
import { type HandWay, type HarmonyView, handTab, handWays, harmonyViews, takeByHand } from "@/core/sounds";
import { makeId, useAct, useCurrentVersion, useNames, useOpenSong } from "../../open";
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
  const { soundUse, choice, notes, isLine } = view;
  const { part, span } = soundUse;
  const namer = useNames()({ player: part.player, capo: part.cell.capo.value }, span.use.shift);
  const tuning = tuningOf(tones.song.player);
  const stringNames = namer.strings(tuning.length > 1 ? tuning : GUITAR);
  const clashes = notes.filter((note) => note.clashes);
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
      <ByHand view={view} tones={tones} names={stringNames} />
    </div>
  );
}

const PARSED = parseTuning(GUITAR_TUNING);
const GUITAR = PARSED.ok ? PARSED.value : [];

const WAY_WORDS: Readonly<Record<HandWay["way"], string>> = {
  "least moves": "with the fewest moves",
  low: "as low as it goes",
  "open strings": "with open strings",
  "one position": "in one position",
};

/** The pairs by hand in several ways, each as tab with its strings named, and taken as a line where one is written. */
function ByHand({ view, tones, names }: { view: HarmonyView; tones: Tones; names: readonly string[] }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { hand, isLine } = view;
  const wide = Math.max(...names.map((name) => name.length));
  return (
    <details className="mt-2">
      <summary className="cursor-pointer">No such effect at hand: the same on two strings</summary>
      {handWays(hand).map((way) => {
        const left = way.picks.filter((pick) => pick === null).length;
        const rows = handTab(hand, names.length, way.picks);
        return (
          <div key={way.way} className="mt-2">
            <p className="flex flex-wrap items-center gap-3 text-sm font-bold">
              {WAY_WORDS[way.way]}
              {way.fret !== null && `, fret ${way.fret}`}
              {isLine && tones.song.player.instrument === "guitar" && (
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() => {
                    const command = takeByHand(current(), view, way, makeId);
                    if (command) act(command);
                  }}
                >
                  Take it as the line
                </button>
              )}
            </p>
            <pre className="overflow-x-auto font-mono text-sm">
              {rows.map((row, at) => `${names[names.length - 1 - at]!.padEnd(wide)}|${row}`).join("\n")}
            </pre>
            {left > 0 && (
              <p className="text-sm">
                {left} {left === 1 ? "note" : "notes"} of {way.picks.length} can’t be given on two strings so.
              </p>
            )}
          </div>
        );
      })}
      <p className="mt-1 text-sm">The high string first, frets from the capo. Rest a hand that aches.</p>
    </details>
  );
}
