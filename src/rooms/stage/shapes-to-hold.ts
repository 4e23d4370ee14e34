import type { StageShape, StageSheet } from "@/core/stage";

/** A shape at the head of a printed sheet. */
export type ShapeToHold = Omit<StageShape, "where"> & {
  /** Where it is held, of a chord that is held otherwise elsewhere: "Chorus, Verse from bar 5"; else null. */
  readonly where: string | null;
};

/** Every shape of a part once, in the order met; a chord that is held in several says where each of them is. */
export function shapesToHold(sheets: readonly Pick<StageSheet, "label" | "shapes">[]): ShapeToHold[] {
  const held = new Map<string, { shape: StageShape; places: Set<string> }>();
  for (const { label, shapes } of sheets)
    for (const shape of shapes) {
      const key = `${shape.name} ${shape.frets.join()}`;
      const known = held.get(key) ?? { shape, places: new Set<string>() };
      held.set(key, known);
      known.places.add(shape.where === null ? label : `${label} ${shape.where}`);
    }
  const all = [...held.values()];
  return all.map(({ shape, places }) => {
    const isOneOfSeveral = all.filter((one) => one.shape.name === shape.name).length > 1;
    return { ...shape, where: isOneOfSeveral ? [...places].join(", ") : null };
  });
}
