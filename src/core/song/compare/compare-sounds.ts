import { byOrder, type MakeId } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import { remove, set } from "../edit/makers";
import type { Player } from "../schema/players";
import { describeSetting, isSettingKey } from "../schema/sound-settings";
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
  const told = { id: `sound box ${playerId}`, where, noun: "the box" };
  return [
    ...soleDifference(
      a,
      b,
      "soundBoxes",
      { mine: boxIn(a, playerId), theirs: box },
      { playerId },
      told,
      makeId,
    ),
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
        otherwise: (own, there, fields) => ({
          where: `${where}, “${own.name}”`,
          words: tellSound(own, there, fields),
        }),
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

/** What a sound says otherwise, setting by setting. @example "harmony third above there, no harmony here" */
function tellSound(mine: Sound, theirs: Sound, fields: Partial<Sound>): string {
  const keys = [...new Set([...Object.keys(mine.said), ...Object.keys(theirs.said)])].filter(
    (key) => mine.said[key] !== theirs.said[key],
  );
  const value = (sound: Sound, key: string): string => {
    const one = sound.said[key];
    return one === undefined || !isSettingKey(key) ? "as the one before it" : describeSetting(key, one);
  };
  return [
    ...keys.map((key) => `${value(theirs, key)} there, ${value(mine, key)} here`),
    ...("note" in fields ? [`note: ${theirs.note || "none"} there, ${mine.note || "none"} here`] : []),
  ].join("; ");
}
