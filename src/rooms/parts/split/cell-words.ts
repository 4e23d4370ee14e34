import { type ArrangeCell, ideaOf } from "@/core/parts";

/** What a cell is, short: its idea, and the bar it comes in. */
export function wordsOf(cell: ArrangeCell): string {
  const idea = ideaOf(cell.idea);
  if (!idea) return "waits";
  return `${idea.words}${cell.entryBar > 1 ? `, from bar ${cell.entryBar}` : ""}`;
}
