"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import {
  offerQuestions,
  sayNote,
  sayToneCost,
  sayToneFinding,
  sayWayOut,
  setSetting,
  type ToneFinding,
  type ToneOffer,
  takeOffer,
} from "@/core/tones";
import { toneOffersOf } from "@/workers";
import { derive, LetItStand, makeId, useAct, useCurrentVersion, useOpenSong } from "../../open";
import type { Tones } from "../use-tones";
import { useToneFindings } from "../use-tones";

/** What the plan asks a second look at, each with its ways out and what they cost. */
export function ToneFindings({ tones }: { tones: Tones }) {
  const act = useAct();
  const { open, stand } = useToneFindings(tones);
  const { song } = tones;
  if (open.length + stand.length === 0) return null;
  return (
    <section aria-labelledby="tone-findings" className="mb-8">
      <h2 id="tone-findings" className="mb-2">
        Findings
      </h2>
      <ul className="flex max-w-4xl flex-col gap-3">
        {open.map((finding) => (
          <li key={finding.id} className="rounded-box border border-base-300 bg-base-100 p-3">
            <p>{sayToneFinding(finding, song.box.gapMs)}</p>
            <div className="mt-2 flex flex-wrap gap-2">
              {finding.code === "exposed" && <Offers tones={tones} section={finding.into.span.use.id} />}
              <Act tones={tones} finding={finding} />
              <LetItStand finding={finding.id} />
            </div>
          </li>
        ))}
      </ul>
      {stand.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-sm">{stand.length} let stand</summary>
          <ul className="mt-1 text-sm">
            {stand.map(({ finding, id, reason }) => (
              <li key={id}>
                {sayToneFinding(finding, song.box.gapMs)} Let stand: {reason}.{" "}
                <button
                  type="button"
                  className="link"
                  onClick={() => act({ type: "remove", table: "dismissals", id })}
                >
                  Look at it again
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** What mends a finding with one act. */
function Act({ tones, finding }: { tones: Tones; finding: ToneFinding }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const { song } = tones;
  if (finding.code === "delay-too-long") {
    const { sound, tooLong } = finding.timed;
    const row = song.sounds.find(({ name }) => name === sound);
    if (!row || !tooLong?.instead) return null;
    const { instead } = tooLong;
    return (
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => act(setSetting(current().sounds, current().sounds[row.id] ?? row, "delay", instead))}
      >
        Set it to a {sayNote(instead)}
      </button>
    );
  }
  if (finding.code === "no-pedal" || finding.code === "tails")
    return (
      <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}/sounds/box`}>
        Look at the box
      </Link>
    );
  if (finding.code === "exposed") return null;
  return (
    <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}/sounds`}>
      Look at it in the ledger
    </Link>
  );
}

/** Ways out of a change that is heard, with what the whole song then costs. */
function Offers({ tones, section }: { tones: Tones; section: string }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { shown } = tones;
  const [offers, setOffers] = useState<readonly ToneOffer[] | null>(null);
  useEffect(() => {
    if (!shown?.song.asked) return;
    let isCurrent = true;
    const { song, plan } = shown;
    void toneOffersOf({
      asked: song.asked!,
      plan,
      section,
      questions: offerQuestions(song, section),
    }).then((found) => {
      if (isCurrent) setOffers(found);
    });
    return () => {
      isCurrent = false;
    };
  }, [shown, section]);
  if (offers === null) return <span className="text-sm">Ways out are being looked for…</span>;
  if (offers.length === 0) return <span className="text-sm">No small change hides it.</span>;
  return (
    <ul className="flex w-full flex-col gap-1">
      {offers.map((offer, at) => (
        <li key={at} className="flex flex-wrap items-center gap-3">
          <button
            type="button"
            className="btn btn-sm h-auto min-h-8 whitespace-normal"
            onClick={() => {
              const body = current();
              act(takeOffer(body, derive.cellIndex(body), tones.song.player.id, offer, makeId));
            }}
          >
            {sayWayOut(offer.out, tones.song.box)}
          </button>
          <span className="text-sm">then {sayToneCost(offer.plan)}</span>
        </li>
      ))}
    </ul>
  );
}
