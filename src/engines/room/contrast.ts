import { ok } from "@/base";
import {
  arrangeCaseOf,
  arrangedPlayers,
  type BandSheet,
  bandSheet,
  type ContrastOffer,
  contrastsOf,
  type Overlap,
  overlapOf,
  planRequest,
  planShapes,
} from "@/core/parts";
import type { VersionBody } from "@/core/song/schema";
import { roomEngine } from "../engine";
import { withCells } from "./with-cells";

type ContrastQuestion = {
  readonly body: VersionBody;
  /** Two guitars by their ids. */
  readonly players: readonly [string, string];
  /** A use, or null for the whole song. */
  readonly useId: string | null;
};

/** The hand's effort a beat through the song, for the one and the other; null where all they play here is a line. */
type Efforts = readonly [number | null, number | null];

type ContrastAnswer = {
  /** The uses looked at: where both play, or all where they never do. */
  readonly useIds: readonly string[];
  readonly before: Overlap & { readonly effort: Efforts };
  readonly offers: readonly (ContrastOffer & { readonly effort: Efforts })[];
};

/** Ways in which two guitars could be two instruments, with what they share and what it asks of the hands, before and after. */
export const contrast = roomEngine({
  name: "contrast",
  steps: null,
  compute: ({ body, players, useId }: ContrastQuestion, { onProgress }) => {
    const sheet = bandSheet(body);
    const asked = arrangeCaseOf(body, sheet, { away: new Set(), arc: "steady", limits: [] });
    const all = arrangedPlayers(sheet);
    const pair = players.map((id) => all.findIndex((one) => one.id === id)) as [number, number];
    const within = sheet.rows.flatMap(({ use }, at) => (useId === null || use.id === useId ? [at] : []));
    const together = within.filter((at) =>
      sheet.rows[at]!.parts.every(({ out, player }) => !out || !players.includes(player.id)),
    );
    const uses = together.length > 0 ? together : within;
    const offers = pair.includes(-1) ? [] : contrastsOf(asked, pair, uses);
    const before = { ...sharedIn(sheet, players, together), effort: effortsOf(body, players) };
    return ok<ContrastAnswer>({
      useIds: uses.map((at) => sheet.rows[at]!.use.id),
      before,
      offers: offers.map((offer, at) => {
        onProgress?.(at, offers.length);
        const after = taken(body, pair, uses, offer);
        const isLine = [0, 1].map((one) => offer.cells.every((cells) => cells[one]!.line !== null));
        const [a, b] = after ? effortsOf(after, players) : [null, null];
        const shared = after ? sharedIn(bandSheet(after), players, uses) : {};
        return { ...offer, ...shared, effort: [isLine[0] ? null : a, isLine[1] ? null : b] as const };
      }),
    });
  },
});

/** What two players of a sheet share on the mean in some of its uses. */
function sharedIn({ rows }: BandSheet, players: readonly [string, string], uses: readonly number[]): Overlap {
  const pairs = uses.flatMap((at) => {
    const { bars, parts } = rows[at]!;
    const [a, b] = players.map((id) => parts.find(({ player }) => player.id === id));
    return a && b ? [{ bars, pair: [a, b] as const }] : [];
  });
  return overlapOf(pairs);
}

/** A song with an offer taken over. */
function taken(
  body: VersionBody,
  [a, b]: readonly [number, number],
  uses: readonly number[],
  offer: ContrastOffer,
): VersionBody | null {
  const sheet = bandSheet(body);
  const cells = sheet.rows.map((_, at) => {
    const pair = offer.cells[uses.indexOf(at)];
    return arrangedPlayers(sheet).map((_player, who) =>
      pair && who === a ? pair[0] : pair && who === b ? pair[1] : undefined,
    );
  });
  return withCells(body, sheet, cells);
}

function effortsOf(body: VersionBody, players: readonly [string, string]): Efforts {
  return players.map((id) => {
    const player = body.players[id];
    if (!player) return null;
    const { cost, runs } = planShapes(planRequest(body, player));
    const beats = runs.reduce((sum, { run }) => sum + run.events.reduce((own, one) => own + one.beats, 0), 0);
    return beats > 0 ? cost / beats : null;
  }) as unknown as Efforts;
}
