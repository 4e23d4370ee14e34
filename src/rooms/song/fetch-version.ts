import { call, readDocument } from "@/api";
import type { VersionBody } from "@/core/song/schema";

/** A version of a song in a list. */
export type ListedVersion = {
  readonly id: string;
  readonly name: string;
  readonly key: string;
  readonly bpm: number;
};

/** Another version's body, as it stands on the server now. @throws when it can't be had */
export async function fetchVersion(id: string): Promise<VersionBody> {
  const read = await call(readDocument, { params: { id } });
  if (read.ok && read.answer.kind === "version") return read.answer.body;
  throw new Error(`Expected the version ${id}, got ${read.status}.`);
}
