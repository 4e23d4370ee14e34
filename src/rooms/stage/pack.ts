import { personOf } from "@/core/evenings";
import type { VersionBody } from "@/core/song/schema";

/** A person's player in a version, or null. */
export const playerOf = (body: Pick<VersionBody, "players">, person: string) =>
  Object.values(body.players).find((player) => personOf(player) === person) ?? null;
