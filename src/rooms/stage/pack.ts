import { personOf } from "@/core/evenings";
import type { VersionBody } from "@/core/song/schema";

/** A person's player in a version, or null. Of two players with one name each is known by their id. */
export const playerOf = (body: Pick<VersionBody, "players">, person: string) =>
  Object.values(body.players).find((player) => personOf(player) === person) ?? body.players[person] ?? null;

/** The person whose own stage a player's is: by what evenings know them by, or by id where two have one name. */
export function personOnOwn({ players }: Pick<VersionBody, "players">, playerId: string): string {
  const person = personOf(players[playerId]!);
  const alike = Object.values(players).filter((player) => personOf(player) === person);
  return alike.length > 1 ? playerId : person;
}
