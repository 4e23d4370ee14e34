import { describeList } from "../fretboard";
import { isOnlyLine, type SheetRow } from "./band";

/**
 * What somebody who joins in a section leaves to whom: the bass, lines, and whoever carries. Nothing where nobody plays any.
 * @example leaveTo(row) // => "leave the bass to Bo, the line to Maren; Ann carries"
 */
export function leaveTo(row: Pick<SheetRow, "parts">): string {
  const playing = row.parts.filter((part) => !part.out);
  const names = (which: (part: (typeof playing)[number]) => boolean) =>
    playing.filter(which).map((part) => part.player.name);
  const bass = names((part) => part.cell.role.value === "bass");
  const line = names(
    (part) => part.cell.role.value !== "bass" && (part.cell.role.value === "line" || isOnlyLine(part)),
  );
  const carry = names((part) => part.cell.role.value === "carry" && !isOnlyLine(part));
  const left = [
    bass.length > 0 ? `the bass to ${describeList(bass)}` : "",
    line.length > 0 ? `the line to ${describeList(line)}` : "",
  ].filter((words) => words !== "");
  return [
    left.length > 0 ? `leave ${left.join(", ")}` : "",
    carry.length > 0 ? `${describeList(carry)} ${carry.length > 1 ? "carry" : "carries"}` : "",
  ]
    .filter((words) => words !== "")
    .join("; ");
}
