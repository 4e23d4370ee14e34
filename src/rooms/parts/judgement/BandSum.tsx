"use client";

import { useMemo, useState } from "react";
import { capital, unwrap } from "@/base";
import {
  type BandSheet,
  type ChordSum,
  describeSumProblem,
  LOOPS,
  type Mend,
  type ShapePlan,
} from "@/core/parts";
import { parsePitch } from "@/core/pitch";
import { chooseShape } from "@/core/song/edit";
import { tellBars } from "@/core/song/moments";
import type { Namer } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import type { QuestionOf } from "@/engines/window";
import { useEngine } from "@/engines/window";
import { writeFrets } from "@/ui/ChordDiagram";
import { SearchNote } from "@/ui/SearchNote";
import { HearThis, scoreOfTogether } from "../../hear";
import type { ShownPlan } from "../../loops";
import { makeId, useAct, useCurrentVersion, useNames, useWholeVersion } from "../../open";

type Props = {
  readonly sheet: BandSheet;
  readonly plans: ReadonlyMap<string, ShapePlan>;
  readonly isOld: boolean;
  /** The looper's plan, where there is one. */
  readonly loops: Pick<ShownPlan, "song" | "plan"> | null;
};

/** The sum of the band: what all sound together at each chord, against the chart, and the smallest change that mends it. */
export function BandSum({ sheet, plans, isOld, loops }: Props) {
  const body = useWholeVersion();
  const request = useMemo<QuestionOf<"band-sum"> | null>(
    () => (isOld ? null : { body, plans, loops: loops && { song: loops.song, way: loops.plan } }),
    [body, plans, isOld, loops],
  );
  const search = useEngine("band-sum", request);
  const [last, setLast] = useState<readonly ChordSum[] | null>(null);
  if (search.data && search.data !== last) setLast(search.data);
  // While hands are planned there is nothing to ask, and the last sum stands.
  const sums = search.data ?? last;
  const [all, setAll] = useState(false);
  const troubled = sums?.filter((sum) => sum.problems.length > 0) ?? [];
  const alike = gathered(troubled);
  const shown = all ? alike : alike.slice(0, 12);
  return (
    <section aria-label="The sum of the band" className="mb-8">
      <h2 className="mb-1">The sum of the band</h2>
      <p className="mb-3 max-w-3xl text-sm">
        Everything that sounds at each beat (shapes behind their capos, lines, bass, keys, loops) against the
        chart. Voices and drums are not counted. How close low notes may lie is common practice.
      </p>
      <p className="min-h-6">
        <SearchNote
          search={{ ...search, isOld: search.isOld || isOld }}
          doing={sums === null ? "Being added up…" : "Being added up anew…"}
        />
      </p>
      {sums !== null && (
        <p className="mb-2">
          {troubled.length === 0
            ? "Every chord sounds as the chart has it."
            : `${sums.length - troubled.length} of ${sums.length} chords sound as the chart has them; ${alike.length} ${alike.length === 1 ? "place asks" : "places ask"} for a look.`}
        </p>
      )}
      <ul className="grid gap-3 lg:grid-cols-2">
        {shown.map(({ sum, more }) => (
          <SumItem
            key={`${sum.useId} ${sum.chordId} ${sum.beats[0]}`}
            sum={sum}
            more={more}
            sheet={sheet}
            body={body}
          />
        ))}
      </ul>
      {alike.length > 12 && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => setAll(!all)}>
          {all ? "Show the first" : `Show all ${alike.length}`}
        </button>
      )}
    </section>
  );
}

/** The same trouble of the same pitches, told once with how often it comes. */
function gathered(sums: readonly ChordSum[]): { readonly sum: ChordSum; readonly more: number }[] {
  const known = new Map<string, { sum: ChordSum; more: number }>();
  for (const sum of sums) {
    const key = `${sum.label} ${sum.symbol} ${sum.voices.map(({ pitch, playerId }) => `${playerId}${pitch}`).join()}`;
    const same = known.get(key);
    if (same) same.more++;
    else known.set(key, { sum, more: 0 });
  }
  return [...known.values()];
}

function SumItem({
  sum,
  more,
  sheet,
  body,
}: {
  sum: ChordSum;
  more: number;
  sheet: BandSheet;
  body: VersionBody;
}) {
  const act = useAct();
  const current = useCurrentVersion();
  const [isAsked, setIsAsked] = useState(false);
  const search = useEngine("mend", isAsked ? { body, sum } : null);
  const mend = search.isOld ? null : search.data;
  const shift = body.uses[sum.useId]?.shift ?? 0;
  const namer = useNames()(null, shift);
  const nameOf = (id: string) =>
    id === LOOPS ? "a loop" : (sheet.players.find((player) => player.id === id)?.name ?? "somebody");
  return (
    <li className="rounded-box border border-base-300 p-3">
      <WhatSounds sum={sum} more={more} namer={namer} nameOf={nameOf} />
      <p className="mt-2">
        <HearThis
          what={`${sum.label}, ${namer.readSounding(sum.symbol)} as it sounds`}
          isKeyed={false}
          score={() => scoreOfTogether(heardIn(sum, sheet, null))}
        />
      </p>
      {!isAsked && (
        <button type="button" className="btn btn-sm mt-2" onClick={() => setIsAsked(true)}>
          Find the smallest change
        </button>
      )}
      {isAsked && (search.isOld || search.error) && (
        <p className="mt-2">
          <SearchNote search={search} doing="Looking…" />
        </p>
      )}
      {isAsked && !search.isOld && mend === null && (
        <p role="status" className="mt-2 text-sm">
          No other shape of one player mends it: another role, or somebody more, is needed.
        </p>
      )}
      {mend !== null && (
        <p className="mt-2 flex flex-wrap items-center gap-2 text-sm">
          {nameOf(mend.playerId)}: <span className="font-mono font-bold">{writeFrets(mend.shape.frets)}</span>
          , {mend.strings} {mend.strings === 1 ? "string" : "strings"} otherwise
          {mend.left.length > 0 && `; ${mend.left.length} of it stays`}
          <HearThis
            what={`${sum.label}, ${namer.readSounding(sum.symbol)} with this change`}
            isKeyed={false}
            score={() => scoreOfTogether(heardIn(sum, sheet, mend))}
          />
          <button
            type="button"
            className="btn btn-sm"
            onClick={() =>
              act(
                chooseShape(
                  current(),
                  mend.spot,
                  "chord-in-use",
                  { frets: [...mend.shape.frets], fingers: [...mend.shape.fingers] },
                  makeId,
                ),
              )
            }
          >
            Take this shape here
          </button>
        </p>
      )}
    </li>
  );
}

/** Who sounds which pitches, with one player's shape changed where a mend is tried. */
function heardIn(sum: ChordSum, { players }: BandSheet, mend: Mend | null) {
  const ids = [...new Set(sum.voices.map(({ playerId }) => playerId))];
  return ids.map((id) => ({
    player: players.find((one) => one.id === id) ?? null,
    pitches:
      mend?.playerId === id
        ? mend.shape.pitches.map((pitch) => unwrap(parsePitch(pitch)))
        : sum.voices.flatMap(({ pitch, playerId, passing }) => (playerId === id && !passing ? [pitch] : [])),
  }));
}

/** What the chart says, what sounds instead, and who plays which pitch of it. */
function WhatSounds({
  sum,
  more,
  namer,
  nameOf,
}: {
  sum: ChordSum;
  more: number;
  namer: Namer;
  nameOf: (id: string) => string;
}) {
  return (
    <>
      <p>
        <strong>{capital(tellBars(String(sum.bar + 1), sum.label))}</strong>: the chart has{" "}
        <span className="font-mono font-bold">{namer.readSounding(sum.symbol)}</span>
        {sum.makes && (
          <>
            , it sounds <span className="font-mono font-bold">{namer.readSounding(sum.makes)}</span>
          </>
        )}
        {more > 0 && ` (and ${more} ${more === 1 ? "time" : "times"} more there)`}.
      </p>
      <ul className="mt-1 list-disc pl-5 text-sm">
        {sum.problems.map((problem) => (
          <li key={problem.code}>{describeSumProblem(problem, nameOf, namer)}</li>
        ))}
      </ul>
      <p className="mt-1 text-sm">
        {sum.voices.map(({ pitch, playerId }, at) => (
          <span key={at} className="mr-2 inline-block">
            {namer.pitch(pitch)} <span className="text-xs">{nameOf(playerId)}</span>
          </span>
        ))}
      </p>
    </>
  );
}
