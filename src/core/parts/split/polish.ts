import { techniqueOf } from "../../song/read";
import { ROLES, type Role } from "../../song/schema";
import { OUT_CELL, type School, type SplitCase, type SplitCell } from "./case";
import { violationsOf } from "./split-rules";
import { scoreOf, termsOf } from "./split-score";

/** Smaller gains are rounding. */
const GAIN = 1e-9;

/**
 * Lowers the score by single changes of one cell's role, light or entry that break no further rule, until none does.
 * The search has looked at all roles a technique is good for; this looks at every other one too, where any will do.
 */
export function polish(split: SplitCase, school: School, grid: SplitCell[][]): void {
  const nearby = (section: number) => [
    Math.max(0, section - 1),
    Math.min(split.sections.length, section + 2),
  ];
  /** What the sections that a cell touches cost and break. */
  const judge = (section: number) => {
    const [from, to] = nearby(section) as [number, number];
    const part = { ...split, sections: split.sections.slice(from, to) };
    const cells = grid.slice(from, to);
    const broken = violationsOf(part, school, cells).filter((one) => one.section !== null).length;
    return { score: scoreOf(termsOf(part, cells)), broken };
  };
  const isBuilt = () =>
    school !== "layered build" || grid.some((cells) => cells.some((cell) => cell.entryBar > 1));
  for (let changed = true; changed; ) {
    changed = false;
    for (const [section, cells] of grid.entries()) {
      let now = judge(section);
      const wasBuilt = isBuilt();
      for (const [player, cell] of cells.entries()) {
        for (const other of changesOf(split, cell, split.sections[section]!.bars)) {
          const before = cells[player]!;
          cells[player] = other;
          const then = judge(section);
          if (then.score < now.score - GAIN && then.broken <= now.broken && (!wasBuilt || isBuilt())) {
            now = then;
            changed = true;
            break;
          }
          cells[player] = before;
        }
      }
    }
  }
}

/** Every single change of a cell that plays. */
function changesOf({ anyRole }: SplitCase, cell: SplitCell, bars: number): SplitCell[] {
  if (cell.role === "out") return [];
  const good: readonly Role[] = cell.technique && !anyRole ? techniqueOf(cell.technique).roles : ROLES;
  return [
    ...good.flatMap((role) => (role === cell.role || role === "out" ? [] : [{ ...cell, role }])),
    OUT_CELL,
    ...[1, 2, 3, 4].flatMap((lamp) => (lamp === cell.lamp ? [] : [{ ...cell, lamp }])),
    ...Array.from({ length: bars }, (_, at) => at + 1).flatMap((entryBar) =>
      entryBar === cell.entryBar ? [] : [{ ...cell, entryBar }],
    ),
  ];
}
