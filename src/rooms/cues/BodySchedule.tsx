"use client";

import { useMemo, useState } from "react";
import {
  BODY_FIXING,
  type BodyAct,
  bodyActs,
  bodyFindings,
  type Cue,
  chordChanges,
  describeBodyFinding,
  isLate,
  moveCue,
  moveOffers,
  movesOfCue,
  planBody,
} from "@/core/cues";
import { tellBar, tellMoment } from "@/core/song/moments";
import type { Player, VersionBody } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { MomentTold } from "@/ui/MomentTold";
import { derive, FindingItem, StandingList, useAct, useFindings, useNames } from "../open";

/** Acts so near a late one, ms, are looked at for what could move. */
const NEAR_MS = 5000;
const MOST_SHOWN = 6;
/** What is always done at its time. */
const isFixed = ({ text }: BodyAct): boolean => text === "plays" || text.startsWith("sings");
const ms = (time: number): string => `${Math.round(time)} ms`;

/** One person's hands, feet, mouth and eyes as one plan: where it is too much, what could move, and how much time is left. */
export function BodySchedule({
  body,
  player,
  cues,
}: {
  body: VersionBody;
  player: Player;
  cues: readonly Cue[];
}) {
  const [all, setAll] = useState(false);
  const names = useNames();
  const { data: shapes } = useEngine("shape-plan", derive.planOf(body, player));
  const { acts, plan, song } = useMemo(() => {
    const tones = derive.tones(body, player);
    const changes = shapes
      ? chordChanges(derive.timeline(body), shapes, player.level, (symbol, capo) =>
          names({ player, capo }).readSounding(symbol),
        )
      : [];
    const found = bodyActs(tones, cues, changes);
    return { acts: found, plan: planBody(found), song: tones };
  }, [body, player, cues, shapes, names]);
  const { open, stand } = useFindings(
    useMemo(() => bodyFindings(player.id, acts, plan), [player.id, acts, plan]),
    BODY_FIXING,
  );
  const byId = useMemo(() => new Map(acts.map((one) => [one.id, one])), [acts]);
  const timed = plan.acts
    .flatMap((one) => {
      const found = byId.get(one.id);
      return found && !isFixed(found) ? [{ ...found, start: one.start, slack: one.slack }] : [];
    })
    .sort((a, b) => a.slack - b.slack);
  const first = byId.get(plan.firstImpossible ?? "");
  const offers = useMemo(() => (first ? offersFor(first, acts, song, body) : []), [acts, first, song, body]);
  return (
    <section aria-labelledby="body-title" className="mb-6 rounded-box border border-base-300 p-3">
      <h2 id="body-title" className="mb-1">
        {player.name}: hands, feet, mouth, eyes
      </h2>
      <p aria-live="polite">
        <InTime plan={plan} first={first} />
      </p>
      {open.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2">
          {open.slice(0, MOST_SHOWN).map((finding) => (
            <FindingItem key={finding.id} finding={finding} what={describeBodyFinding(finding)} />
          ))}
        </ul>
      )}
      {open.length > MOST_SHOWN && (
        <p className="mt-1 text-sm">and {open.length - MOST_SHOWN} more, in the table below.</p>
      )}
      <StandingList
        standing={stand.map(({ finding, ...row }) => ({
          ...row,
          what: `${finding.label}: ${describeBodyFinding(finding)}`,
        }))}
      />
      {offers.length > 0 && <Offers offers={offers} />}
      {timed.length > 0 && (
        <details className="mt-2 text-sm" onToggle={(event) => setAll(event.currentTarget.open)}>
          <summary className="cursor-pointer">
            Least time to spare:{" "}
            {timed
              .slice(0, 3)
              .map((one) => `${one.text} in ${tellBar(one.moment)} (${ms(one.slack)})`)
              .join("; ")}
          </summary>
          {all && <ActTable acts={timed} />}
        </details>
      )}
    </section>
  );
}

/** Which of the acts near one that comes too late could move, by how much, and what that would make. */
function offersFor(
  first: BodyAct,
  acts: readonly BodyAct[],
  song: ReturnType<typeof derive.tones>,
  body: VersionBody,
) {
  const byId = new Map(acts.map((one) => [one.id, one]));
  const near = acts.filter((one) => one.until > first.from - NEAR_MS && one.from < first.until + NEAR_MS);
  /** How far in ticks each offered number of ms is. */
  const ticksOf = new Map<string, number>();
  const movable = (id: string): number[] => {
    const { cue } = byId.get(id)!;
    const span = song.soundUses.find((one) => one.span.use.id === cue?.useId)?.span;
    if (!cue || !span) return [];
    return movesOfCue(cue, span, song.beatTicks).map((by) => {
      const byMs = (song.clock.secondsAt(cue.tick + by) - song.clock.secondsAt(cue.tick)) * 1000;
      ticksOf.set(`${id} ${byMs}`, by);
      return byMs;
    });
  };
  return moveOffers(near, ({ id }) => movable(id))
    .slice(0, 4)
    .flatMap((offer) => {
      const { cue, text } = byId.get(offer.id)!;
      const span = song.soundUses.find((one) => one.span.use.id === cue?.useId)?.span;
      const by = ticksOf.get(`${offer.id} ${offer.byMs}`);
      const command = cue && span && by !== undefined ? moveCue(body, cue, span.from, by) : null;
      return command ? [{ ...offer, text, beats: by! / song.beatTicks, command }] : [];
    });
}

/** Whether all can be done in time; if not, what is the first that can't. */
function InTime({ plan, first }: { plan: ReturnType<typeof planBody>; first: BodyAct | undefined }) {
  const late = plan.acts.filter(isLate);
  return (
    <>
      {late.length === 0 ? (
        "Everything can be done in time."
      ) : (
        <>
          <strong className="text-error">
            {late.length} {late.length === 1 ? "thing comes" : "things come"} too late, {ms(plan.overload)} in
            all.
          </strong>{" "}
          {first && (
            <>
              First at {tellMoment(first.moment)}: {first.text}.
            </>
          )}
          {!plan.exact && " There may be a better order than was found."}
        </>
      )}
    </>
  );
}

function Offers({ offers }: { offers: ReturnType<typeof offersFor> }) {
  const act = useAct();
  return (
    <ul className="mt-1 text-sm">
      {offers.map((offer) => (
        <li key={`${offer.id} ${offer.byMs}`} className="flex flex-wrap items-center gap-2 py-0.5">
          <button type="button" className="btn btn-xs" onClick={() => act(offer.command)}>
            Move it {Math.abs(offer.beats)} {Math.abs(offer.beats) === 1 ? "beat" : "beats"}{" "}
            {offer.beats < 0 ? "sooner" : "later"}
          </button>
          <span>
            {offer.text}:{" "}
            {offer.overload === 0 ? "then all of it is possible" : `then ${ms(offer.overload)} too late`}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Every act with its window and the time that is left, the tightest first. */
function ActTable({ acts }: { acts: readonly (BodyAct & { start: number; slack: number })[] }) {
  const [most, setMost] = useState(MOST_SHOWN * 4);
  return (
    <>
      <table className="table table-sm mt-2">
        <thead>
          <tr>
            <th>What</th>
            <th>With</th>
            <th>Where</th>
            <th>Takes</th>
            <th>Window</th>
            <th>To spare</th>
          </tr>
        </thead>
        <tbody>
          {acts.slice(0, most).map((one) => (
            <tr key={one.id} className={isLate(one) ? "font-bold text-error" : ""}>
              <td>{one.text}</td>
              <td>{one.takes.join(", ")}</td>
              <td>
                <MomentTold moment={one.moment} />
              </td>
              <td>{ms(one.ms)}</td>
              <td>{ms(one.until - one.from)}</td>
              <td>{ms(one.slack)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {acts.length > most && (
        <button type="button" className="btn btn-xs mt-1" onClick={() => setMost(most + 200)}>
          {acts.length - most} more
        </button>
      )}
    </>
  );
}
