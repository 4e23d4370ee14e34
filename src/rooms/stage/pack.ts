import { personOf } from "@/core/evenings";
import type { VersionBody } from "@/core/song/schema";
import type { StagePart } from "./stage-sheets";

/** A song of an evening as one person plays it; `part` is null where they do not play. */
export type PackedSong = {
  readonly itemId: string;
  readonly versionId: string;
  readonly revision: number;
  readonly part: StagePart | null;
};

/** Everything one person needs for an evening, to be kept on their own device. */
export type StagePack = { readonly person: string; readonly songs: readonly PackedSong[] };

/** A person's player in a version, or null. */
export const playerOf = (body: VersionBody, person: string) =>
  Object.values(body.players).find((player) => personOf(player) === person) ?? null;
