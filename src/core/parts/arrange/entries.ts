import type { ArrangeCase, ArrangeCell, ArrangeGrid } from "./case";
import { isThere, plays } from "./case";
import { somebodyWaits, wantsVariety } from "./laws";
import { earliestBar } from "./limits";

/** Kinds of section in which somebody may come in halfway, and from how many bars on. */
const HALFWAY: ReadonlySet<string> = new Set(["intro", "verse", "bridge", "instrumental", "outro", "other"]);
const LEAST_BARS = 4;

/**
 * When everybody comes in. Where a song rises, who was out before comes in halfway, one in a use, never who carries, has the
 * bass or sings the lead; a limit's bar is kept; and where nobody at all would wait, somebody does once.
 * @returns the cells with their bars of entry
 */
export function enter(asked: ArrangeCase, grid: ArrangeGrid): ArrangeGrid {
  const entered = grid.map((cells, at) => {
    const halfway = asked.arc === "rising" ? comesInHalfway(asked, grid, at) : -1;
    return cells.map((cell, who) => {
      if (!plays(cell)) return cell;
      const bar = who === halfway ? middleBar(asked, at) : 1;
      return {
        ...cell,
        entryBar: Math.min(asked.uses[at]!.bars, Math.max(bar, earliestBar(asked, at, who))),
      };
    });
  });
  if (!wantsVariety(asked) || somebodyWaits(asked, entered)) return entered;
  for (const [at, cells] of entered.entries()) {
    const who = cells.findIndex((cell) => mayWait(cell));
    if (who < 0 || asked.uses[at]!.bars < 2) continue;
    return entered.map((row, other) =>
      other === at
        ? row.map((cell, one) => (one === who ? { ...cell, entryBar: middleBar(asked, at) } : cell))
        : row,
    );
  }
  return entered;
}

const middleBar = ({ uses }: ArrangeCase, at: number): number => Math.floor(uses[at]!.bars / 2) + 1;

/** Support and lines may wait; who carries and the bass may not. */
const mayWait = ({ role }: ArrangeCell): boolean => role === "support" || role === "line";

function comesInHalfway({ uses, players }: ArrangeCase, grid: ArrangeGrid, at: number): number {
  const { kind, bars } = uses[at]!;
  if (at === 0 || bars < LEAST_BARS || !HALFWAY.has(kind)) return -1;
  return grid[at]!.findIndex(
    (cell, who) =>
      isThere(players[who]!) &&
      players[who]!.instrument !== "voice" &&
      plays(cell) &&
      mayWait(cell) &&
      !plays(grid[at - 1]![who]!),
  );
}
