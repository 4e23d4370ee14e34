"use client";

import Link from "next/link";
import type { Beside } from "@/api";
import { hardestShape, listChanges, type ShapePlan } from "@/core/parts";
import {
  bandLoad,
  correctionOf,
  type Load,
  type LoadKind,
  loadOf,
  toLearnOf,
  whoCarriesAlone,
  withoutBass,
} from "@/core/practice";
import { describeKeyFit, hasStrings, keyFits, keysOf, melodyShift, sungPlaces } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { byOrder } from "@/document";
import { SearchNote } from "@/ui/SearchNote";
import { tellMinutes } from "@/ui/tell-minutes";
import { derive, useNames, useOpenSong, usePlans, useSong, useWholeVersionLater } from "../open";
import { BesideOthers } from "./BesideOthers";
import { CompareSongs } from "./CompareSongs";
import { RehearseTabs } from "./RehearseTabs";
import { VerdictFields } from "./VerdictFields";

const KIND_WORDS: Readonly<Record<LoadKind, readonly [one: string, many: string]>> = {
  sections: ["section", "sections"],
  shapes: ["shape", "shapes"],
  changes: ["change of chords", "changes of chords"],
  patterns: ["pattern", "patterns"],
  lines: ["line", "lines"],
  exceptions: ["exception to remember", "exceptions to remember"],
  presses: ["change of sound", "changes of sound"],
};

/** Whether a song fits the band: what it asks of each hand and voice, who is missing, and how long it takes to learn. */
export function FitPage({ beside }: { readonly beside: Beside | null }) {
  const body = useWholeVersionLater();
  const sheet = derive.sheet(body);
  const { plans, search } = usePlans();
  const players = Object.values(body.players).sort(byOrder);
  const loads = players.map((player) => {
    const plan = plans.get(player.id) ?? null;
    const proved = beside?.proved[player.name] ?? [];
    const known = correctionOf(proved);
    const load = loadOf(toLearnOf(body, sheet, player.id, plan), player.level, known);
    return { player, plan, load, known, songs: proved.length };
  });
  const missing = withoutBass(sheet);
  const log = Object.values(useSong().practices);
  const practisedBy = (name: string): number =>
    log.reduce((sum, { player, minutes }) => (player === name ? sum + minutes : sum), 0);
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      {players.length === 0 || sheet.rows.length === 0 ? (
        <p className="rounded-box bg-base-200 p-4">
          There is nothing to weigh yet: a song needs sections in Song, and players in Players.
        </p>
      ) : (
        <div className="grid gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
          <section aria-label="What it asks">
            <p className="mb-3 text-lg">
              For the band to learn it:{" "}
              <strong>{tellMinutes(bandLoad(loads.map(({ load }) => load)))}</strong>, by the longest part and
              what is done together.
            </p>
            <SearchNote search={search} doing="planning the hands’ ways…" />
            <Voices />
            <CarriesAlone />
            {missing.length > 0 && (
              <p className="mb-2">
                Nobody plays the bass that {missing.join(", ")} {missing.length === 1 ? "asks" : "ask"} for.
              </p>
            )}
            <ul className="flex flex-col gap-3">
              {loads.map((one) => (
                <PlayerFit key={one.player.id} {...one} practised={practisedBy(one.player.name)} />
              ))}
            </ul>
            <p className="mt-3 max-w-3xl text-sm">
              Minutes are estimates for a hand of each player’s level: so many for each thing to learn, what
              is easy for the hand for nothing; corrected by what two other songs or more took a player, by
              their logs.
            </p>
          </section>
          <div className="flex flex-col gap-6">
            <VerdictFields />
            {beside && <BesideOthers beside={beside} />}
          </div>
          <CompareSongs />
        </div>
      )}
    </>
  );
}

/** Who could carry the song without the others. */
function CarriesAlone() {
  const body = useWholeVersionLater();
  const all = whoCarriesAlone(derive.sheet(body));
  if (all.length === 0) return <p className="mb-2">Nobody plays chords in it: no one can carry it alone.</p>;
  return (
    <ul aria-label="Alone" className="mb-2">
      {all.map(({ player, noBass }) => (
        <li key={player.id}>
          {player.name} could carry it alone on {player.instrument === "keys" ? "keys" : "the guitar"}
          {player.sings && ", singing"}
          {noBass.length > 0 && `; ${noBass.join(", ")} ${noBass.length === 1 ? "asks" : "ask"} for a bass`}.
        </li>
      ))}
    </ul>
  );
}

/** What each voice is asked for, in the key the song is played in. */
function Voices() {
  const body = useWholeVersionLater();
  const { version } = useOpenSong();
  const places = sungPlaces(derive.outline(body));
  const namer = useNames()();
  const { written, sounding } = keysOf(body);
  const singers = Object.values(body.players)
    .sort(byOrder)
    .filter(({ sings }) => sings);
  const known = singers.flatMap((singer) => (singer.range ? [{ singer, range: singer.range }] : []));
  if (singers.length === 0) return <p className="mb-2">Nobody sings in it, as far as is known.</p>;
  if (places.length === 0 || known.length === 0)
    return (
      <p className="mb-2">
        How high it goes is not known, or how high {singers.map(({ name }) => name).join(", ")} can:{" "}
        <Link className="link" href={`/song/${version.id}/keys`}>
          say so in Keys
        </Link>
        .
      </p>
    );
  const moved = melodyShift(written, sounding);
  return (
    <ul className="mb-2">
      {known.map(({ singer, range }) => {
        const fit = keyFits(places, range, written).find(({ semitones }) => semitones === moved);
        return (
          <li key={singer.id}>
            {singer.name},{" "}
            {fit ? describeKeyFit(fit, (midi, key) => namer.soundingPitch(midi, key)) : "not known"}.
          </li>
        );
      })}
    </ul>
  );
}

/** What a song asks of one player: minutes with their parts, and the hardest shape and change of their hand. */
function PlayerFit({
  player,
  plan,
  load,
  practised,
  known,
  songs,
}: {
  readonly player: Player;
  /** How much of what is estimated they really need, by the logs of so many songs; 1 where that is not known. */
  readonly known: number;
  readonly songs: number;
  /** Minutes by the log. */
  readonly practised: number;
  readonly plan: ShapePlan | null;
  readonly load: Load;
}) {
  return (
    <li className="rounded-box bg-base-200 p-3">
      <h2 className="text-lg">
        {player.name}, {player.level}: <strong>{tellMinutes(load)}</strong>
        {practised > 0 && <span className="text-base">, {Math.round(practised)} practised so far</span>}
      </h2>
      {known !== 1 && (
        <p className="text-sm">
          {Math.round(known * 100)} % of the estimate, by the logs of {songs} other songs.
        </p>
      )}
      {plan && hasStrings(player) && <Hardest player={player} plan={plan} />}
      {load.items.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="cursor-pointer">Why</summary>
          <table className="mt-1">
            <thead className="sr-only">
              <tr>
                <th scope="col">What</th>
                <th scope="col">Minutes</th>
              </tr>
            </thead>
            <tbody>
              {load.items.map(({ kind, count, minutes }) => (
                <tr key={kind}>
                  <th scope="row" className="pr-6 text-left font-normal">
                    {count} {KIND_WORDS[kind][count === 1 ? 0 : 1]}
                  </th>
                  <td className="text-right">{minutes} minutes</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
    </li>
  );
}

function Hardest({ player, plan }: { readonly player: Player; readonly plan: ShapePlan }) {
  const names = useNames();
  const shape = hardestShape(plan);
  const [change] = listChanges(plan);
  if (!shape) return null;
  const told = (capo: number, symbol: string) => names({ player, capo }).readSounding(symbol);
  return (
    <p className="text-sm">
      Hardest shape {told(shape.hand.capo, shape.symbol)} ({shape.fingering.difficulty.toFixed(1)} points)
      {change &&
        `, hardest change ${told(change.capo, change.from.symbol)} to ${told(change.capo, change.to.symbol)} (${change.cost.toFixed(1)})`}
      .
    </p>
  );
}
