"use client";

import Link from "next/link";
import { useMemo } from "react";
import { namesOfPlaces } from "@/core/findings";
import { describeNote } from "@/core/rhythm";
import {
  describeToneCost,
  describeToneFinding,
  describeWayOut,
  offerQuestions,
  setSetting,
  type ToneFinding,
  takeOffer,
} from "@/core/sounds";
import { useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import {
  derive,
  FindingItem,
  makeId,
  StandingList,
  useAct,
  useCurrentVersion,
  useOpenSong,
} from "../../open";
import type { Tones } from "../use-sounds";
import { useToneFindings } from "../use-sounds";

/** What the plan asks a second look at, each with its ways out and what they cost. */
export function ToneFindings({ tones }: { tones: Tones }) {
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
          <FindingItem
            key={finding.id}
            finding={{ ids: finding.ids, places: [] }}
            what={describeToneFinding(finding, song.box.gapMs, namesOfPlaces(finding.places))}
            whole=""
          >
            {finding.kind === "exposed" && <Offers tones={tones} section={finding.section} />}
            <Act tones={tones} finding={finding} />
          </FindingItem>
        ))}
      </ul>
      <StandingList
        standing={stand.map(({ finding, ...row }) => ({
          ...row,
          what: describeToneFinding(finding, song.box.gapMs),
        }))}
      />
    </section>
  );
}

/** What mends a finding with one act. */
function Act({ tones, finding }: { tones: Tones; finding: ToneFinding }) {
  const act = useAct();
  const current = useCurrentVersion();
  const { version } = useOpenSong();
  const { song } = tones;
  if (finding.kind === "delay-too-long") {
    const { sound, tooLong, key } = finding.timed;
    const row = song.sounds.find(({ name }) => name === sound);
    if (!row || !tooLong?.instead) return null;
    const { instead } = tooLong;
    return (
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => act(setSetting(current().sounds, current().sounds[row.id] ?? row, key, instead))}
      >
        Set it to a {describeNote(instead)}
      </button>
    );
  }
  if (finding.kind === "no-pedal" || finding.kind === "tails")
    return (
      <Link className="btn btn-sm" prefetch={false} href={`/song/${version.id}/sounds/box`}>
        Look at the box
      </Link>
    );
  if (finding.kind === "exposed") return null;
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
  const question = useMemo(() => {
    if (!shown?.song.asked) return null;
    const { song, plan } = shown;
    return { asked: song.asked!, plan, section, questions: offerQuestions(song, section) };
  }, [shown, section]);
  const search = useEngine("tone-offers", question);
  const offers = search.data;
  if (offers === null || search.error)
    return <SearchNote search={{ ...search, isOld: true }} doing="Ways out are being looked for…" />;
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
            {describeWayOut(offer.out, tones.song.box)}
          </button>
          <span className="text-sm">then {describeToneCost(offer.plan)}</span>
        </li>
      ))}
    </ul>
  );
}
