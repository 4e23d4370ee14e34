import { readFile } from "node:fs/promises";
import path from "node:path";
import { z } from "zod";
import { readChordText } from "@/core/formats";
import { BASS_TUNING, GUITAR_TUNING } from "@/core/pitch";
import {
  type BandBody,
  type BandPlayer,
  type Body,
  byOrder,
  type Cell,
  type EveningBody,
  INSTRUMENTS,
  ordersFor,
  type Player,
  ROLES,
  type VersionBody,
} from "@/core/song";
import type { NewDocument } from "../documents/store";
import { makeId } from "../ids";
import { songDocuments } from "./create";

const light = z.int().min(0).max(4);
const demoSchema = z.object({
  evening: z.object({ name: z.string(), place: z.string(), note: z.string() }),
  band: z.object({
    name: z.string(),
    players: z.array(
      z.object({
        key: z.string(),
        name: z.string(),
        instrument: z.enum(INSTRUMENTS),
        level: z.enum(["beginner", "steady", "fluent"]),
        sings: z.boolean(),
        capo: z.int(),
      }),
    ),
  }),
  songs: z.array(
    z.object({
      file: z.string().regex(/^[a-z-]+\.txt$/u),
      tags: z.array(z.string()),
      note: z.string(),
      players: z.record(z.string(), z.object({ capo: z.int(), light, role: z.enum(ROLES) })),
      cells: z.array(
        z.object({
          use: z.int(),
          player: z.string(),
          light: light.optional(),
          role: z.enum(ROLES).optional(),
          capo: z.int().optional(),
          note: z.string().optional(),
        }),
      ),
    }),
  ),
});

type DemoSong = z.infer<typeof demoSchema>["songs"][number];

/** Reads the demo evening in `demo/` into documents, ready to store. */
export async function demoDocuments(
  folder = path.resolve(/* turbopackIgnore: true */ "demo"),
): Promise<NewDocument[]> {
  const demo = demoSchema.parse(
    JSON.parse(
      await readFile(
        /* turbopackIgnore: true */ path.join(/* turbopackIgnore: true */ folder, "evening.json"),
        "utf8",
      ),
    ),
  );
  const places = ordersFor(demo.band.players.length);
  const players = new Map(
    demo.band.players.map(({ key, ...player }, index): [string, BandPlayer] => [
      key,
      {
        ...player,
        id: makeId(),
        order: places[index]!,
        tuning: [...(player.instrument === "bass" ? BASS_TUNING : GUITAR_TUNING)],
        range: null,
      },
    ]),
  );
  const bandId = makeId();
  const band: BandBody = {
    band: { [bandId]: { id: bandId, name: demo.band.name } },
    players: Object.fromEntries([...players.values()].map((player) => [player.id, player])),
  };
  const songs = await Promise.all(
    demo.songs.map(async (song) => {
      const sheet = readChordText(
        await readFile(
          /* turbopackIgnore: true */ path.join(/* turbopackIgnore: true */ folder, song.file),
          "utf8",
        ),
      );
      const settings = {
        title: sheet.title,
        tags: song.tags,
        source: { name: "Demo sheet", kind: "sheet" as const },
      };
      return songDocuments(sheet, settings, (version) => withParts(version, song, players));
    }),
  );
  const eveningId = makeId();
  const itemOrders = ordersFor(songs.length);
  const evening: EveningBody = {
    evening: { [eveningId]: { id: eveningId, ...demo.evening } },
    items: Object.fromEntries(
      songs.map(({ songId, versionId }, index) => {
        const id = makeId();
        return [id, { id, order: itemOrders[index]!, songId, versionId, note: demo.songs[index]!.note }];
      }),
    ),
  };
  return [
    { id: bandId, kind: "band", parentId: null, body: band as Body },
    ...songs.flatMap((song) => song.documents),
    { id: eveningId, kind: "evening", parentId: null, body: evening as Body },
  ];
}

/** Lays the demo's players and cells on a version. */
function withParts(version: VersionBody, song: DemoSong, band: ReadonlyMap<string, BandPlayer>): VersionBody {
  const copies = new Map<string, Player>();
  for (const [key, settings] of Object.entries(song.players)) {
    const { id, ...player } = band.get(key)!;
    copies.set(key, { ...player, ...settings, id: makeId(), bandPlayerId: id });
  }
  const uses = Object.values(version.uses).sort(byOrder);
  const cells = song.cells.map(({ use, player, ...fields }): Cell => {
    const empty = { light: null, role: null, style: null, capo: null, note: null };
    return { id: makeId(), useId: uses[use]!.id, playerId: copies.get(player)!.id, ...empty, ...fields };
  });
  return {
    ...version,
    players: Object.fromEntries([...copies.values()].map((player) => [player.id, player])),
    cells: Object.fromEntries(cells.map((cell) => [cell.id, cell])),
  };
}
