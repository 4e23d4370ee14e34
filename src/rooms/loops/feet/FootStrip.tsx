"use client";

import Link from "next/link";
import { describePress, type FootPress, pressesInAMinute } from "@/core/loops";
import { tellBars } from "@/core/song/moments";
import { PressTable } from "@/ui/PressTable";
import { CUT_OF_KIND } from "@/ui/pretty";
import { useOpenSong } from "../../open";
import type { Loops, ShownPlan } from "../use-loops";

/** When a press may be made. */
const when = (press: FootPress): string =>
  press.late
    ? "late: after the one before"
    : press.from < press.tick
      ? "may be pressed up to a pass early"
      : "on the beat";

/** The foot sheet: presses over the form, and each with its bar, beat and word. */
export function FootStrip({ loops }: { loops: Loops }) {
  const { version } = useOpenSong();
  const { shown } = loops;
  if (!shown) return null;
  const { presses } = shown;
  const late = presses.filter((press) => press.late).length;
  return (
    <section aria-labelledby="foot-title" className="mb-8">
      <h2 id="foot-title" className="mb-1">
        The foot sheet
      </h2>
      <p className="mb-2 text-sm">
        {presses.length === 0
          ? "The foot stays where it is."
          : `${presses.length} presses, ${late === 0 ? "none" : late} late; at most ${pressesInAMinute(presses)} in a minute. `}
        <Link className="link" href={`/print/${version.id}/feet`}>
          Large print for the floor
        </Link>
      </p>
      <Strip shown={shown} />
      {presses.length > 0 && (
        <PressTable
          rows={presses.map((press) => ({
            ...press,
            press: describePress(press),
            into: press.into ?? "the end",
            when: when(press),
          }))}
        />
      )}
    </section>
  );
}

/** Pieces of the song as long as they last, presses hung at their starts. */
function Strip({ shown }: { shown: ShownPlan }) {
  const { song, plan, presses } = shown;
  return (
    <div className="form-strip pb-1">
      {song.pieces.map((piece, at) => {
        const { span } = piece;
        const own = presses.filter(({ before }) => before === piece.id);
        const tracks = plan.states[at]!;
        return (
          <div
            key={piece.id}
            className="form-block cursor-default"
            data-cut={CUT_OF_KIND[span.passages[0]!.section.kind]}
            style={{ flexGrow: Math.max(1, piece.to - piece.from), minWidth: "5.5rem" }}
          >
            <span className="block truncate text-sm font-bold">
              {piece.from === span.from ? span.label : tellBars(String(piece.bar), span.label)}
            </span>
            <span className="block text-xs">
              {tracks.length === 0 ? "silent" : `tracks ${tracks.map((track) => track + 1).join(" ")}`}
            </span>
            {own.map((press, index) => (
              <span
                key={index}
                className={`block text-xs ${press.late ? "font-bold text-error" : "font-bold"}`}
              >
                ▾ {describePress(press)}
                {press.late ? ", late" : ""}
              </span>
            ))}
          </div>
        );
      })}
    </div>
  );
}
