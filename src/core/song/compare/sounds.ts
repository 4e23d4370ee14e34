import { byOrder, type MakeId } from "../../../document";
import { orderAtEnd } from "../edit/commands";
import { add, batch, set } from "../edit/makers";
import type { Player } from "../schema/players";
import type { Sound, SoundBox } from "../schema/sounds";

import { areKin, type Difference, type Side } from "./side";

const BOX_FIELDS = [
  "name",
  "kind",
  "slots",
  "banks",
  "firstBank",
  "gapMs",
  "landing",
  "change",
  "twoSwitches",
  "tails",
  "longestDelayMs",
  "channel",
  "firstProgram",
  "pedals",
] as const satisfies readonly (keyof SoundBox)[];

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

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
  const [mine, theirs] = [soundsIn(a, player.id), soundsIn(b, other.id)];
  const partner = (sound: Sound, among: readonly Sound[]) =>
    among.find((one) => areKin(sound, one)) ?? among.find((one) => one.name === sound.name);
  const here = mine.flatMap((sound): Difference[] => {
    const there = partner(sound, theirs);
    if (!there)
      return [
        {
          id: `sound ${sound.id}`,
          where,
          words: `sound “${sound.name}” only here`,
          take: batch("Remove a sound", [
            ...mine
              .filter((one) => one.fromId === sound.id)
              .map((one) => set("sounds", one.id, { fromId: null, said: { ...sound.said, ...one.said } })),
            { type: "remove", table: "sounds", id: sound.id },
          ]),
        },
      ];
    if (same(sound.said, there.said) && sound.note === there.note) return [];
    return [
      {
        id: `sound ${sound.id}`,
        where,
        words: `“${sound.name}” is set otherwise there`,
        take: set("sounds", sound.id, { said: there.said, note: there.note }),
      },
    ];
  });
  const there = theirs
    .filter((sound) => !partner(sound, mine))
    .map((sound): Difference => {
      const base = b.body.sounds[sound.fromId ?? ""];
      const row = {
        ...sound,
        id: makeId(),
        originId: sound.id,
        order: orderAtEnd(Object.values(a.body.sounds)),
        playerId: player.id,
        fromId: null,
        said: { ...base?.said, ...sound.said },
      };
      return {
        id: `sound ${sound.id}`,
        where,
        words: `sound “${sound.name}” only there`,
        take: batch("Take a sound over", [add("sounds", row)]),
      };
    });
  return [...boxDifference(a, b, player, other, where, makeId), ...here, ...there];
}

function boxDifference(
  a: Side,
  b: Side,
  player: Player,
  other: Player,
  where: string,
  makeId: MakeId,
): Difference[] {
  const [mine, theirs] = [boxIn(a, player.id), boxIn(b, other.id)];
  if (!theirs) return [];
  const fields = BOX_FIELDS.filter((field) => !same(mine?.[field], theirs[field]));
  if (fields.length === 0) return [];
  const take = mine
    ? set("soundBoxes", mine.id, Object.fromEntries(fields.map((field) => [field, theirs[field]])))
    : add("soundBoxes", { ...theirs, id: makeId(), playerId: player.id });
  return [{ id: `sound box ${player.id}`, where, words: `the box is “${theirs.name}” there`, take }];
}
