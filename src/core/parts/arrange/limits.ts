import type { ArrangeCase, ArrangeCell, Limit, LimitRule } from "./case";
import { plays } from "./case";

/**
 * Whether a limit allows a cell at its place, by what is played there; light, bars and how many play are looked at apart.
 * @example allows(asked, notInChorus, 2, 0, OUT_OF_IT) // => true
 */
export function allows(
  asked: ArrangeCase,
  limit: Limit,
  at: number,
  who: number,
  cell: ArrangeCell,
): boolean {
  if (limit.player !== null && limit.player !== who) return true;
  const here = isHere(limit, at);
  const does = limit.idea === null ? plays(cell) : cell.idea === limit.idea;
  switch (limit.rule) {
    case "lock":
      return !here || cell.idea === limit.idea || !isFor(asked, limit, who);
    case "not in":
      return !here || !does;
    case "only in":
      return !does || asked.limits.some((other) => isOnlyIn(other, limit, at));
    case "always":
      return !here || does;
    case "carries":
      return !here || cell.role === "carry";
    case "not before":
      if (at < firstOf(limit, asked.uses.length)) return !does;
      return !here || (limit.number ?? 1) <= asked.uses[at]!.bars || !does;
    case "at most":
      return !here || limit.number !== 0 || !plays(cell);
  }
}

/** Whether a limit is about a place in the form. */
export const isHere = ({ uses }: Pick<Limit, "uses">, at: number): boolean =>
  uses === null || uses.includes(at);

/** Several places of one "only in" are allowed together. */
const isOnlyIn = (other: Limit, limit: Limit, at: number): boolean =>
  other.rule === "only in" && other.player === limit.player && other.idea === limit.idea && isHere(other, at);

/** The first place a limit names. */
const firstOf = ({ uses }: Limit, end: number): number =>
  uses === null ? 0 : uses.length === 0 ? end : Math.min(...uses);

/** A lock without a player holds everybody whose instrument has the idea. */
const isFor = ({ players }: ArrangeCase, limit: Limit, who: number): boolean =>
  limit.player !== null || limit.instrument === null || players[who]!.instrument === limit.instrument;

/** The most who may play in a use; null without such a limit. */
export function mostPlaying({ limits }: ArrangeCase, at: number): number | null {
  const most = limits.flatMap(({ rule, uses, players }) =>
    rule === "at most" && players !== undefined && isHere({ uses }, at) ? [players] : [],
  );
  return most.length > 0 ? Math.min(...most) : null;
}

/** The most light a player may have in a use. */
export const mostLight = (asked: ArrangeCase, at: number, who: number): number =>
  Math.min(4, ...numbersOf(asked, "at most", at, who));

/** The bar before which a player may not come in where they play. */
export const earliestBar = (asked: ArrangeCase, at: number, who: number): number =>
  Math.max(1, ...numbersOf(asked, "not before", at, who));

/** The numbers that limits of a rule name for a player in a use. */
const numbersOf = ({ limits }: ArrangeCase, rule: LimitRule, at: number, who: number): number[] =>
  limits.flatMap((limit) =>
    limit.rule === rule &&
    limit.number !== null &&
    (limit.player === null || limit.player === who) &&
    isHere(limit, at)
      ? [limit.number]
      : [],
  );
