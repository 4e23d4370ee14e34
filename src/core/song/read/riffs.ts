import { inOrder, type LineNeck } from "../../fretboard";
import { parseTuning } from "../../pitch";
import type { VersionBody } from "../schema/documents";
import type { Riff, RiffNote } from "../schema/parts";

/** The neck a line is written for; without strings where its tuning can't be read. */
export function neckOfRiff({ tuning, capo }: Pick<Riff, "tuning" | "capo">): LineNeck {
  const parsed = parseTuning(tuning);
  return { tuning: parsed.ok ? parsed.value : [], capo };
}

/** The notes of one line, in time. */
export const notesOfRiff = (body: Pick<VersionBody, "riffNotes">, riffId: string): RiffNote[] =>
  inOrder(Object.values(body.riffNotes).filter((note) => note.riffId === riffId));
