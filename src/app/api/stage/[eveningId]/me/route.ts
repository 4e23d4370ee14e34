import { choosePerson, stageMe } from "@/api";
import { isOnePerson, OPEN_TO_MANY } from "@/core/stage";
import { isTaken, setPerson } from "@/server/access/openings";
import { refuse } from "@/server/http";
import { personOfGuest, serveStage } from "@/server/stage/asked";
import { peopleOf } from "@/server/stage/stage-pack";

/** Who asks, as what, and whose part they see. */
export const GET = serveStage(stageMe, async ({ who, database }) => ({
  role: who.role,
  person: await personOfGuest(database, who),
}));

/** Says whose part one sees. */
export const POST = serveStage(choosePerson, async ({ who, database, session, sent: { person } }) => {
  const isOfMany = !isOnePerson(person);
  const people = isOfMany ? OPEN_TO_MANY : await peopleOf(database, session.state.items);
  const found = people.find((one) => one.person === person);
  if (!found) return refuse(404, "person", "should be someone who plays in this evening");
  // Any number may join cold or read along; a player is one.
  const isOne = who.guestId !== null && who.role === "player" && !isOfMany;
  if (isOne && (await isTaken(database, who.guestId!, person)))
    return refuse(
      409,
      "person",
      `Another device is ${found.name} already. It can choose somebody else under “This screen”, or the leader frees the name beside the codes.`,
    );
  if (who.guestId !== null) await setPerson(database, who.guestId, person);
  return { role: who.role, person };
});
