import type { StageRiff, StageSheet } from "@/core/stage";
import type { SaidAt } from "@/ui/TabLines";

/** What is told of each piece of a sheet where it begins; that of a pickup stands with the first bar. */
function saidIn(
  sheet: StageSheet,
  tell: (piece: StageSheet["lines"][number]["pieces"][number]) => string | null,
): SaidAt[] {
  const first = sheet.line?.bars[0] ?? 0;
  const said: SaidAt[] = [];
  for (const { pieces, starts } of sheet.lines)
    for (const [at, piece] of pieces.entries()) {
      const text = tell(piece)?.trim() ?? "";
      const tick = Math.max(first, starts[at] ?? 0);
      const before = said.at(-1);
      if (text === "") continue;
      if (before?.tick === tick) said[said.length - 1] = { tick, text: `${before.text} ${text}` };
      else said.push({ tick, text });
    }
  return said;
}

/** The chords of a sheet, and its words, where they begin. */
export const chordsOf = (sheet: StageSheet): SaidAt[] => saidIn(sheet, ({ name }) => name);
export const wordsOf = (sheet: StageSheet): SaidAt[] => saidIn(sheet, ({ words }) => words);

/** A line with what is counted above its strings, or without. */
export const withCounts = ({ counts, ...line }: StageRiff, wanted: boolean) =>
  wanted ? { ...line, counts } : line;
