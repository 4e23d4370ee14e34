import type { VersionBody } from "../song/schema";
import { readDefine } from "./chordpro/define";
import type { SheetFingering } from "./sheet";

/**
 * The shapes a version's sheet draws, as they were kept: frets from the nut, for a chord as it is written.
 * @example drawnShapes(body) // => [{ symbol: "Bm", frets: [null, 2, 4, 4, 3, 2] }]
 */
export const drawnShapes = (body: Pick<VersionBody, "extras">): SheetFingering[] =>
  Object.values(body.extras).flatMap(({ kind, text }) => {
    const value =
      kind === "directive" ? /^\{(?:define|chord)\s*:?\s*(.*)\}$/su.exec(text.trim())?.[1] : undefined;
    const shape = value === undefined ? null : readDefine(value);
    return shape ? [shape] : [];
  });
