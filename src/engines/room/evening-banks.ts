import { ok } from "@/base";
import type { Player, SoundBox, VersionBody } from "@/core/song/schema";
import { type EveningBanks, eveningBanks as layBanks, playerTones } from "@/core/sounds";
import { roomEngine } from "../engine";

export type EveningBanksQuestion = {
  readonly songs: readonly {
    readonly title: string;
    readonly versionId: string;
    readonly body: VersionBody;
  }[];
  /** Whose box: players of versions are copies of one player of the band. */
  readonly player: Pick<Player, "name" | "bandPlayerId">;
  readonly box: SoundBox;
};

/** The banks of a player's box for a whole evening; the budget is each song's. */
export const eveningBanks = roomEngine({
  name: "evening-banks",
  steps: { http: 10_000, window: 10_000 },
  compute: ({ songs, player, box }: EveningBanksQuestion, { budget }) =>
    ok<EveningBanks>(
      layBanks(
        songs.flatMap(({ title, versionId, body }) => {
          const players = Object.values(body.players);
          const same =
            players.find(
              ({ bandPlayerId }) => player.bandPlayerId !== null && bandPlayerId === player.bandPlayerId,
            ) ?? players.find(({ name }) => name === player.name);
          const tones = same && playerTones(body, same.id, budget);
          return tones?.plan ? [{ title, versionId, song: tones.song, plan: tones.plan }] : [];
        }),
        box,
      ),
    ),
});
