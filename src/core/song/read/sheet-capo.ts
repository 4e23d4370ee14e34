import type { VersionBody } from "../schema/documents";
import { versionRow } from "./timeline";

/** A capo over chords that sound as they are written: a version keeps it as a note at its head. */
export const capoNote = (capo: number): string => `{capo: ${capo}}`;

/**
 * The capo the sheet of a version names, whether its chords are shapes behind it or sound as written; 0 without.
 * It is where the first acoustic guitar begins.
 */
export function sheetCapo(body: Pick<VersionBody, "version" | "extras">): number {
  const { writtenCapo } = versionRow(body);
  if (writtenCapo > 0) return writtenCapo;
  const notes = Object.values(body.extras).filter(
    (one) => one.sectionId === null && one.kind === "directive",
  );
  return Math.max(0, ...notes.map(({ text }) => Number(/^\{capo: (\d{1,2})\}$/u.exec(text)?.[1] ?? 0)));
}
