import type { MakeId } from "../../../document";
import { choiceStands, type ShapeSpot } from "../read/choices";
import type { BookShape } from "../schema/chosen-shapes";
import type { VersionBody } from "../schema/documents";
import type { VersionCommand } from "./edits";
import { add, batch, remove } from "./makers";

/** A shape as a book keeps it, by the name the hand has for it. */
export type ShapeKept = Pick<BookShape, "symbol" | "frets" | "fingers">;

/** The row of a shape book for a shape held at a spot. */
export const bookShapeAt = (
  spot: Pick<ShapeSpot, "style" | "strings" | "tuning">,
  shape: ShapeKept,
): Omit<BookShape, "id" | "playerId"> => ({
  symbol: shape.symbol,
  style: spot.style,
  strings: spot.strings && [...spot.strings],
  frets: [...shape.frets],
  fingers: [...shape.fingers],
  tuning: [...spot.tuning],
});

/**
 * Keeps a shape in a version's copy of the shape book. What was chosen for the chord in the whole song, or wherever it is
 * voiced so, is let go: the book says it now. Choices of a place or a section stand.
 */
export function keepInBook(
  body: Pick<VersionBody, "choices">,
  spot: ShapeSpot,
  shape: ShapeKept,
  makeId: MakeId,
): VersionCommand {
  const given = Object.values(body.choices).filter(
    (one) =>
      (one.scope === "symbol" || one.scope === "voicing") &&
      one.capo === spot.capo &&
      choiceStands(one, spot),
  );
  return batch("Keep a shape in the shape book", [
    ...given.map((one) => remove("choices", one)),
    add("bookShapes", { ...bookShapeAt(spot, shape), id: makeId(), playerId: spot.playerId }),
  ]);
}
