import { byOrder, type MakeId } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import { remove, set } from "../edit/makers";
import type { Player } from "../schema/players";
import type { Sound, SoundBox } from "../schema/sounds";
import { rowDifferences, soleDifference } from "./compare-rows";
import { type Difference, pairKin, type Side } from "./side";

const soundsIn = (side: Side, playerId: string): Sound[] =>
  Object.values(side.body.sounds)
    .filter((sound) => sound.playerId === playerId)
    .sort(byOrder);
const boxIn = (side: Side, playerId: string): SoundBox | null =>
  Object.values(side.body.soundBoxes).find((box) => box.playerId === playerId) ?? null;

/** What differs of the sounds of players that both versions have: the box, and each sound's own settings. */
export function soundDifferences(a: Side, b: Side, makeId: MakeId): Difference[] {
  const theirs = Object.values(b.body.players);
  return Object.values(a.body.players)
    .sort(byOrder)
    .flatMap((player): Difference[] => {
      const other =
        theirs.find((one) => areKinPlayers(one, player)) ?? theirs.find(({ name }) => name === player.name);
      return other ? ofPlayer(a, b, player, other, makeId) : [];
    });
}

const areKinPlayers = (a: Player, b: Player): boolean =>
  a.id === b.id || (a.bandPlayerId !== null && a.bandPlayerId === b.bandPlayerId);

function ofPlayer(a: Side, b: Side, player: Player, other: Player, makeId: MakeId): Difference[] {
  const where = `Sounds, ${player.name}`;
  const playerId = player.id;
  const [mine, box] = [soundsIn(a, playerId), boxIn(b, other.id)];
  const told = { id: `sound box ${playerId}`, where, words: `the box is “${box?.name}” there` };
  return [
    ...soleDifference("soundBoxes", boxIn(a, playerId), box, { playerId }, told, makeId),
    ...rowDifferences(
      a,
      pairKin(mine, soundsIn(b, other.id)),
      {},
      {
        table: "sounds",
        noun: "sound",
        label: "Take a sound over",
        onlyHere: ({ name }) => ({ where, words: `sound “${name}” only here` }),
        onlyThere: ({ name }) => ({ where, words: `sound “${name}” only there` }),
        otherwise: ({ name }) => ({ where, words: `“${name}” is set otherwise there` }),
        // Sounds that start from one that goes, or that stays there, keep all it gave them.
        remove: (sound) => [
          ...mine
            .filter(({ fromId }) => fromId === sound.id)
            .map((heir) => set("sounds", heir.id, { fromId: null, said: { ...sound.said, ...heir.said } })),
          remove("sounds", sound),
        ],
        added: (sound) => ({
          order: orderAtEnd(Object.values(a.body.sounds)),
          playerId,
          fromId: null,
          said: { ...b.body.sounds[sound.fromId ?? ""]?.said, ...sound.said },
        }),
      },
      makeId,
    ),
  ];
}
