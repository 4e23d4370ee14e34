import { byOrder } from "../../document";
import { usualTuning } from "../song/read";
import { EMPTY_CELL, PLAIN_HAND, type Player, type VersionBody } from "../song/schema";

/**
 * Somebody who joins without knowing the song: a beginner's hand on an instrument tuned as usual. A guitar has the capo of
 * the first guitar that is tuned so, whose hands can then be followed.
 */
export function guestOf(body: Pick<VersionBody, "players">, instrument: "guitar" | "bass"): Player {
  const tuning = usualTuning(instrument);
  const beside = Object.values(body.players)
    .sort(byOrder)
    .find((player) => player.instrument === instrument && player.tuning.join() === tuning.join());
  return {
    ...PLAIN_HAND,
    id: `cold ${instrument}`,
    bandPlayerId: null,
    order: "zz",
    name: "Joining cold",
    instrument,
    tuning,
    capo: instrument === "guitar" ? (beside?.capo ?? 0) : 0,
    level: "beginner",
    sings: false,
    range: null,
    light: 2,
    role: instrument === "bass" ? "bass" : "support",
  };
}

/** A version in which a guest plays along in the plainest way: strums on the beats, roots on one and three. */
export function withGuest(body: VersionBody, guest: Player): VersionBody {
  const technique = guest.instrument === "bass" ? ("bass-roots" as const) : ("beat-strum" as const);
  const cells = Object.values(body.uses).map((use) => ({
    ...EMPTY_CELL,
    id: `${guest.id} ${use.id}`,
    useId: use.id,
    playerId: guest.id,
    technique,
    capo: guest.capo,
  }));
  return {
    ...body,
    players: { ...body.players, [guest.id]: guest },
    cells: { ...body.cells, ...Object.fromEntries(cells.map((cell) => [cell.id, cell])) },
  };
}
