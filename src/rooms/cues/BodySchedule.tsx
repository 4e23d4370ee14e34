"use client";

import { useMemo } from "react";
import { type BodyAct, bodyActs, type Cue, moveOffers, planBody } from "@/core/cues";
import type { Player, VersionBody } from "@/core/song";
import { derive } from "../document";

/** Acts so near a late one, ms, are looked at for what could move. */
const NEAR_MS = 5000;
/** Ways acts may be offered to move, ms. */
const MOVES = [-2000, -1000, -500, 500, 1000, 2000] as const;
/** What is always done at its time. */
const isFixed = ({ text }: BodyAct): boolean => text === "plays" || text.startsWith("sings");

/** One person's hands, feet, mouth and eyes as one plan: where it is too much, and what could move. */
export function BodySchedule({
  body,
  player,
  cues,
}: {
  body: VersionBody;
  player: Player;
  cues: readonly Cue[];
}) {
  const { acts, plan } = useMemo(() => {
    const found = bodyActs(derive.tones(body, player), cues);
    return { acts: found, plan: planBody(found) };
  }, [body, player, cues]);
  const byId = useMemo(() => new Map(acts.map((act) => [act.id, act])), [acts]);
  const late = plan.acts.filter(({ slack }) => slack < 0);
  const tight = plan.acts
    .flatMap((one) => {
      const act = byId.get(one.id);
      return act && !isFixed(act) ? [{ act, slack: one.slack }] : [];
    })
    .sort((a, b) => a.slack - b.slack)
    .slice(0, 6);
  const first = byId.get(plan.firstImpossible ?? "");
  const offers = useMemo(() => {
    if (!first) return [];
    const near = acts.filter((act) => act.until > first.from - NEAR_MS && act.from < first.until + NEAR_MS);
    return moveOffers(near, (act) => (isFixed(byId.get(act.id)!) ? [] : MOVES)).slice(0, 4);
  }, [acts, byId, first]);
  return (
    <section aria-labelledby="body-title" className="mb-6 rounded-box border border-base-300 p-3">
      <h2 id="body-title" className="mb-1">
        {player.name}: hands, feet, mouth
      </h2>
      <p aria-live="polite">
        {late.length === 0 ? (
          "Everything can be done in time."
        ) : (
          <>
            <strong className="text-error">
              {late.length} {late.length === 1 ? "thing comes" : "things come"} too late,{" "}
              {Math.round(plan.overload)} ms in all.
            </strong>{" "}
            {first && (
              <>
                First at bar {first.bar}, beat {first.beat}
                {first.label !== "" && ` (${first.label})`}: {first.text}.
              </>
            )}
          </>
        )}
      </p>
      {offers.length > 0 && (
        <ul className="mt-1 list-inside list-disc text-sm">
          {offers.map((offer) => (
            <li key={`${offer.id} ${offer.byMs}`}>
              {byId.get(offer.id)?.text} {Math.abs(offer.byMs) / 1000} s {offer.byMs < 0 ? "sooner" : "later"}
              :{" "}
              {offer.overload === 0
                ? "then all of it is possible"
                : `then ${Math.round(offer.overload)} ms too late`}
            </li>
          ))}
        </ul>
      )}
      {tight.length > 0 && (
        <p className="mt-2 text-sm">
          Least time to spare:{" "}
          {tight
            .map(({ act, slack }) => `${act.text} in bar ${act.bar} (${Math.round(slack)} ms)`)
            .join("; ")}
          .
        </p>
      )}
    </section>
  );
}
