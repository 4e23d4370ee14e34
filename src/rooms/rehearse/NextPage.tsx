"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import { listChanges, type ShapePlan } from "@/core/parts";
import { type NextStep, nextMinutes, type PracticePlace } from "@/core/practice";
import { OWN_NAMES } from "@/core/song/names";
import { hasStrings } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { passagesOf } from "@/core/stage";
import { byOrder } from "@/document";
import { useEngine } from "@/engines/window";
import { SearchNote } from "@/ui/SearchNote";
import { SelectField } from "@/ui/SelectField";
import { Toggles } from "@/ui/Toggles";
import { tellDay, today } from "@/ui/tell-day";
import { derive, namesBy, useDerived, useOpenSong, useRows, useSong, useWholeVersionLater } from "../open";
import { hardChanges, tellChange } from "./hard-changes";
import { RehearseTabs } from "./RehearseTabs";
import { sectionsOf } from "./sections-of";
import { loadWay, saveWay } from "./settings";

/** No change is thought of that is easier. */
const EASY = 1;
/** So many notes of a line are a point. */
const NOTES_A_POINT = 4;

type Evenings = readonly { readonly name: string; readonly day: string }[];

/** What one player should practise of this song in the next minutes, with the reasons. */
export function NextPage({ evenings }: { readonly evenings: Evenings }) {
  const { players } = useRows("players");
  const [id, setId] = useState("");
  const [minutes, setMinutes] = useState(10);
  const inOrder = Object.values(players).sort(byOrder);
  const player = inOrder.find((one) => one.id === id) ?? inOrder[0];
  const day = today();
  const [coming] = evenings.filter((one) => one.day >= day).toSorted((a, b) => (a.day < b.day ? -1 : 1));
  return (
    <>
      <h1 className="mb-1">Rehearse</h1>
      <RehearseTabs />
      {!player ? (
        <p className="rounded-box bg-base-200 p-4">Nobody plays yet: put players in the song in Players.</p>
      ) : (
        <>
          <div className="mb-3 flex flex-wrap items-end gap-4">
            <SelectField
              label="For"
              className="w-44"
              value={player.id}
              options={inOrder.map((one) => ({ value: one.id, label: one.name }))}
              onSet={setId}
            />
            <Toggles
              label="Minutes there are"
              value={minutes}
              options={[5, 10, 15, 20].map((one) => ({ value: one, label: String(one) }))}
              onSet={setMinutes}
            />
          </div>
          <p className="mb-3">
            {coming
              ? `The next time is ${coming.name}, ${tellDay(coming.day)}.`
              : "No evening with a day has this song in it: nothing hurries."}
          </p>
          {hasStrings(player) ? (
            <WithHand key={player.id} {...{ player, minutes }} evening={coming?.day ?? null} />
          ) : (
            <Steps key={player.id} {...{ player, minutes }} plan={null} evening={coming?.day ?? null} />
          )}
        </>
      )}
    </>
  );
}

type Props = { readonly player: Player; readonly minutes: number; readonly evening: string | null };

function WithHand(props: Props) {
  const request = useDerived((body) => derive.planOf(body, props.player));
  const search = useEngine("shape-plan", request);
  if (!search.data) return <SearchNote search={search} doing="planning the hand’s way…" />;
  return <Steps {...props} plan={search.data} />;
}

function Steps({ player, minutes, evening, plan }: Props & { readonly plan: ShapePlan | null }) {
  const places = usePlaces(player, plan);
  const body = useWholeVersionLater();
  const sections = useMemo(() => sectionsOf({ passages: passagesOf(body) }), [body]);
  const { practices } = useSong();
  const own = Object.values(practices).filter((one) => one.player === player.name);
  const steps = nextMinutes(places, own, { today: today(), evening, minutes });
  return (
    <>
      <ol
        aria-label={`The next ${minutes} minutes of ${player.name}`}
        className="flex max-w-4xl flex-col gap-3"
      >
        {steps.map((step) => (
          <Step
            key={step.place ? `${step.place.kind} ${step.place.what}` : "all"}
            {...{ step, player, sections }}
          />
        ))}
      </ol>
      <p className="mt-4 max-w-3xl text-sm">
        What is hard and least sure comes first; a change is sure at thirty clean ones a minute, a section at
        its own tempo without a fault, and both fade when they are left alone. It goes by the log: what is
        kept there moves on. Stop at numbness or pain, rest, and see a clinician if it stays.
      </p>
    </>
  );
}

/** One piece of the minutes: what, how long, how fast, why, and the way there. */
function Step({
  step: { place, minutes, percent, why },
  player,
  sections,
}: {
  readonly step: NextStep;
  readonly player: Player;
  readonly sections: ReturnType<typeof sectionsOf>;
}) {
  const { version } = useOpenSong();
  const room = `/song/${version.id}/rehearse`;
  const what =
    place === null
      ? "The whole song, with the band"
      : place.kind === "changes"
        ? `Change ${place.what}`
        : place.what;
  const section = sections.find(({ label }) => place?.kind === "section" && label === place.what);
  const setUp = () =>
    saveWay(version.id, {
      ...loadWay(version.id),
      reader: player.id,
      stretch: section?.stretch ?? null,
      speed: (percent ?? 100) / 100,
      circles: section !== undefined,
    });
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-2 rounded-box bg-base-200 p-3">
      <span className="w-24 text-lg font-bold whitespace-nowrap">
        {minutes} {minutes === 1 ? "minute" : "minutes"}
      </span>
      <span className="min-w-64 flex-1">
        <span className="block text-lg">
          {what}
          {percent !== null && <span className="text-base"> at {percent} %</span>}
        </span>
        <span className="block text-sm">{why.join("; ")}.</span>
      </span>
      {place?.kind === "changes" ? (
        <Link className="btn btn-sm" href={`${room}/changes`} prefetch={false}>
          To the drill
        </Link>
      ) : (
        <Link className="btn btn-sm" href={room} prefetch={false} onClick={setUp}>
          Play it
        </Link>
      )}
    </li>
  );
}

/** What there is to practise in a player's part: the hard changes of their hand, and each section they play in. */
function usePlaces(player: Player, plan: ShapePlan | null): PracticePlace[] {
  const body = useWholeVersionLater();
  return useMemo(() => {
    const names = namesBy(OWN_NAMES, body);
    const changes = plan ? listChanges(plan) : [];
    const { rows } = derive.sheet(body);
    const sections = new Map<string, PracticePlace>();
    const marked = new Map<string, number>();
    for (const { danger, useId, playerId } of Object.values(body.cues))
      if (danger && (playerId === null || playerId === player.id))
        marked.set(useId, (marked.get(useId) ?? 0) + 1);
    for (const { label, parts } of rows) {
      const part = parts.find((one) => one.player.id === player.id);
      if (!part || part.out || sections.has(label)) continue;
      const inIt = changes.filter(({ where }) => where.includes(label)).map(({ cost }) => cost);
      const line = part.riff ? part.notes.length / NOTES_A_POINT : 0;
      const spots = rows.filter((row) => row.label === label).map(({ use }) => marked.get(use.id) ?? 0);
      sections.set(label, {
        kind: "section",
        what: label,
        hard: Math.max(0, line, ...inIt),
        spots: spots.reduce((sum, one) => sum + one, 0),
      });
    }
    const drills = (plan ? hardChanges(plan) : [])
      .filter(({ cost }) => cost > EASY)
      .map(
        (change): PracticePlace => ({
          kind: "changes",
          what: tellChange(names, player, change),
          hard: change.cost,
          spots: 0,
        }),
      );
    const known = new Set<string>();
    return [...drills.filter(({ what }) => !known.has(what) && known.add(what)), ...sections.values()];
  }, [body, player, plan]);
}
