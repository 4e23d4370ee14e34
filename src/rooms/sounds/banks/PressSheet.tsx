"use client";

import Link from "next/link";
import { exportVersion, placeOf } from "@/api";
import { tellBar } from "@/core/song/moments";
import { describeAct, describeRest, type TonePress } from "@/core/sounds";
import { PressTable } from "@/ui/PressTable";
import { CUT_OF_KIND } from "@/ui/pretty";
import { useOpenSong } from "../../open";
import type { Tones } from "../use-sounds";

/** When a press may be made. */
function when(press: TonePress): string {
  if (press.window) {
    const { opens, easiest } = press.window;
    const why = easiest.isSilent ? "you are silent" : easiest.sings ? "least to do" : "you don’t sing";
    return `any time from ${tellBar(opens)}; easiest in ${tellBar(easiest.moment)}: ${why}`;
  }
  if (press.late) return "after the one before";
  return press.into.rest.ms > 0 ? `in the rest, ${describeRest(press.into.rest)}` : "on the beat";
}

/** The press sheet: presses over the form, each with its bar, beat and word. */
export function PressSheet({ tones }: { tones: Tones }) {
  const { version } = useOpenSong();
  const { shown } = tones;
  if (!shown) return null;
  const { presses, song } = shown;
  const first = song.soundUses.find(({ sound }) => sound !== null);
  const exposed = new Set(
    song.box.kind === "banks"
      ? shown.plan.steps.filter((step) => step.exposed).map(({ section }) => section)
      : [],
  );
  return (
    <section aria-labelledby="press-title" className="mb-8">
      <h2 id="press-title" className="mb-1">
        The press sheet
      </h2>
      <p className="mb-2 text-sm">
        {first && `Before the song: “${first.sound}”. `}
        {presses.length === 0 ? "Then the foot stays where it is. " : `Then ${presses.length} presses. `}
        <Link className="link" href={`/print/${version.id}/sounds/${song.player.id}`}>
          Large print for the floor
        </Link>{" "}
        <a
          className="link ml-3"
          href={placeOf(exportVersion, { params: { id: version.id }, sent: { changes: song.player.id } })}
        >
          Save as a MIDI file
        </a>
      </p>
      <Strip tones={tones} exposed={exposed} />
      {presses.length > 0 && (
        <PressTable
          rows={presses.map((press) => ({
            ...press,
            press: describeAct(press.act, song.box),
            into: `${press.into.span.label}: ${press.into.sound}`,
            when: (
              <>
                {when(press)}
                {press.act.do !== "arm" && exposed.has(press.into.span.use.id) && (
                  <strong className="text-error">; heard</strong>
                )}
              </>
            ),
          }))}
        />
      )}
      <p className="mt-2 max-w-3xl text-sm">
        Put the box where the foot reaches it without leaning off balance, tape cables down where people walk,
        and feed mains-powered gear from one earthed supply with tested leads; for stage power follow the
        local code and ask a qualified electrician.
      </p>
    </section>
  );
}

/** Sections as long as they last, presses hung at their starts. */
function Strip({ tones, exposed }: { tones: Tones; exposed: ReadonlySet<string> }) {
  const { song, presses } = tones.shown!;
  return (
    <div className="form-strip pb-1">
      {song.soundUses.map(({ span, sound }) => (
        <div
          key={span.use.id}
          className="form-block cursor-default"
          data-cut={CUT_OF_KIND[span.passages[0]!.section.kind]}
          style={{ flexGrow: Math.max(1, span.to - span.from), minWidth: "6.5rem" }}
        >
          <span className="block truncate text-sm font-bold">{span.label}</span>
          <span className="block truncate text-xs">{sound ?? "no sound"}</span>
          {presses
            .filter(({ into, act }) => into.span.use.id === span.use.id && act.do !== "arm")
            .map((press, at) => (
              <span
                key={at}
                className={`block text-xs font-bold ${exposed.has(span.use.id) ? "text-error" : ""}`}
              >
                ▾ {describeAct(press.act, { ...song.box, twoSwitches: false })}
                {at === 0 && exposed.has(span.use.id) ? ", heard" : ""}
              </span>
            ))}
        </div>
      ))}
    </div>
  );
}
