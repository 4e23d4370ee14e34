import { bandSheet, hardestShape, listChanges, planRequest, planShapes } from "../parts";
import { hasStrings, indexCells, outlineOf, timelineOf } from "../song/read";
import type { Player, Practice, VersionBody } from "../song/schema";
import { bandLoad, type Load, loadOf, type Proved } from "./load";
import { toLearnOf } from "./to-learn";

type Minutes = Pick<Load, "low" | "high">;

/** What a song asks of one player. */
type WeighedPlayer = Minutes & {
  readonly name: string;
  readonly instrument: Player["instrument"];
  readonly level: Player["level"];
  /** The hardest shape and change of their hand, by how chords sound; null without strings. */
  readonly shape: { readonly symbol: string; readonly points: number } | null;
  readonly change: { readonly from: string; readonly to: string; readonly points: number } | null;
};

/** What a song asks of a band: minutes to learn it, together and of each. */
export type Weighed = Minutes & { readonly players: readonly WeighedPlayer[] };

/**
 * Weighs a version with nothing known of the band's logs: every hand's way is planned, which takes as long as it takes.
 * @example weighSong(body).high // => 22.4
 */
export function weighSong(body: VersionBody): Weighed {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const sheet = bandSheet(body, outline, timeline);
  const index = indexCells(body, outline, () => timeline);
  const loads = sheet.players.map((player) => {
    const plan = hasStrings(player) ? planShapes(planRequest(body, player, outline, timeline, index)) : null;
    return { player, plan, load: loadOf(toLearnOf(body, sheet, player.id, plan), player.level) };
  });
  const { low, high } = bandLoad(loads.map(({ load }) => load));
  return {
    low,
    high,
    players: loads.map(({ player: { name, instrument, level }, plan, load }) => {
      const shape = plan ? hardestShape(plan) : null;
      const [change] = plan ? listChanges(plan) : [];
      return {
        name,
        instrument,
        level,
        low: load.low,
        high: load.high,
        shape: shape ? { symbol: shape.symbol, points: shape.fingering.difficulty } : null,
        change: change ? { from: change.from.symbol, to: change.to.symbol, points: change.cost } : null,
      };
    }),
  };
}

/** What lies in the middle of what was likely. */
const middleOf = ({ low, high }: Minutes): number => (low + high) / 2;

/**
 * What a song was said to take one player, and what it took by its log; null where the log does not say that they know it: that
 * they came through all of it at its tempo without a fault, or that the band rehearsed it after they had practised.
 * @example provedBy(weighed, log, "Maren") // => { said: 14, took: 19 }
 */
export function provedBy(weighed: Weighed, log: readonly Practice[], name: string): Proved | null {
  const player = weighed.players.find((one) => one.name === name);
  const own = log.filter((one) => one.player === name && one.kind !== "band");
  const first = own.map(({ day }) => day).toSorted()[0];
  if (!player || first === undefined) return null;
  const isThrough = own.some(
    ({ what, percent, clean }) => what === "" && percent !== null && percent >= 100 && (clean ?? 0) > 0,
  );
  const isPlayed = log.some(({ kind, day }) => kind === "band" && day >= first);
  if (!isThrough && !isPlayed) return null;
  return { said: middleOf(player), took: own.reduce((sum, { minutes }) => sum + minutes, 0) };
}
