import { z } from "zod";
import { outlineOf } from "@/core/song/read";
import {
  MOVED_SETTINGS,
  type SettingValue,
  type Sound,
  type SoundBox,
  type SoundMoves,
  UNSOURCED,
  UNVARIED,
  type VersionBody,
} from "@/core/song/schema";
import { SOUND_BOX_PROFILES } from "@/core/sounds";
import { ordersFor } from "@/document";
import { makeId } from "../ids";

const BAR = 3840;
const value = z.union([z.number(), z.string(), z.boolean()]);

/** What the demo says of one player's sounds: a kind of box and what is otherwise with it, sounds, moves in bars. */
export const demoSounds = z.object({
  box: z.string(),
  settings: z
    .object({
      gapMs: z.number(),
      longestDelayMs: z.number().nullable(),
      channel: z.int(),
      firstProgram: z.int(),
      pedals: z.array(z.object({ effect: z.string(), controller: z.int() })),
    })
    .partial()
    .default({}),
  sounds: z.array(
    z.object({
      name: z.string(),
      from: z.string().optional(),
      said: z.record(z.string(), value),
      note: z.string().default(""),
    }),
  ),
  moves: z
    .array(
      z.object({
        use: z.int(),
        moves: z.array(
          z.object({
            from: z.number(),
            to: z.number(),
            setting: z.enum(MOVED_SETTINGS),
            value,
            by: z.enum(["hand", "foot"]),
          }),
        ),
      }),
    )
    .default([]),
});

/** Lays the sounds of one player, by name, on a version. */
export function withSounds(
  version: VersionBody,
  playerName: string,
  given: z.infer<typeof demoSounds>,
): VersionBody {
  const player = Object.values(version.players).find(({ name }) => name === playerName);
  const profile = SOUND_BOX_PROFILES.find(({ name }) => name === given.box);
  if (!player || !profile)
    throw new Error(`Expected a player and a kind of box, got ${playerName}, ${given.box}.`);
  const playerId = player.id;
  const orders = ordersFor(given.sounds.length);
  const ids = new Map(given.sounds.map(({ name }) => [name, makeId()]));
  const sounds = given.sounds.map(
    ({ name, from, said, note }, at): Sound => ({
      id: ids.get(name)!,
      originId: null,
      order: orders[at]!,
      playerId,
      name,
      fromId: from === undefined ? null : ids.get(from)!,
      said: said as Record<string, SettingValue>,
      note,
      ...UNSOURCED,
      ...UNVARIED,
    }),
  );
  const { form } = outlineOf(version);
  const moves = given.moves.map(
    ({ use, moves: own }): SoundMoves => ({
      id: makeId(),
      playerId,
      useId: form[use]!.id,
      endsEarly: 0,
      moves: own.map((move) => ({ ...move, from: move.from * BAR, to: move.to * BAR })),
    }),
  );
  const box = { ...profile, ...given.settings, id: makeId(), order: "V", playerId } as SoundBox;
  const byId = <Row extends { readonly id: string }>(rows: readonly Row[]): Record<string, Row> =>
    Object.fromEntries(rows.map((row) => [row.id, row]));
  return {
    ...version,
    sounds: { ...version.sounds, ...byId(sounds) },
    soundMoves: { ...version.soundMoves, ...byId(moves) },
    soundBoxes: { ...version.soundBoxes, [box.id]: box },
  };
}
