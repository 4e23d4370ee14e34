"use client";

import type { SheetFinding } from "@/core/parts";
import { OWN_NAMES } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import { type NamesAt, namesBy } from "../open";

type Body = Pick<VersionBody, "version" | "extras" | "players">;

/** The capo of the hand a finding is about, where it is about one. */
const capoOf = (finding: SheetFinding): number | null =>
  finding.kind === "quick-change" || finding.kind === "one-chord" ? finding.capo : null;

function namerOf(finding: SheetFinding, names: NamesAt, body: Body) {
  const player = body.players[finding.playerIds[0] ?? ""];
  return names(player ? { player, capo: capoOf(finding) ?? player.capo } : null);
}

/** How the chords a finding speaks of are told here: a hand's as its player's. */
export const writeFor =
  (finding: SheetFinding, names: NamesAt, body: Body) =>
  (symbol: string): string =>
    namerOf(finding, names, body).readSounding(symbol);

/** How its player calls them, whoever looks: what is noted for them to read. */
export const ownNameFor = (finding: SheetFinding, body: Body, symbol: string): string =>
  namerOf(finding, namesBy(OWN_NAMES, body), body).readSounding(symbol);
