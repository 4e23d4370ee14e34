"use client";

import { handName, hasShape } from "@/core/parts";
import { add, bandEdits, bookShapeAt, keepInBook, remove, type ShapeKept } from "@/core/song/edit";
import type { ShapeSpot } from "@/core/song/read";
import type { BookShape, Player } from "@/core/song/schema";
import { makeId } from "@/document/client";
import { useAct, useActOnBand, useBand, useCurrentVersion, useRows } from "../open-song";

type Chosen = Pick<ShapeKept, "frets" | "fingers">;

/** The shape book of a player: what this song has of it, what the band has beside, and how it is changed. */
export type ShapeBook = {
  /** This song's copy, in the order kept. */
  readonly own: readonly BookShape[];
  /** What the band has and this song has not. */
  readonly beside: readonly BookShape[];
  /** Whether the player is of the band: a book is kept for nobody else. */
  readonly isOfBand: boolean;
  /** Keeps a shape for the chord at a spot. */
  readonly keep: (spot: ShapeSpot, shape: Chosen) => void;
  /** Whether this song has it already. */
  readonly has: (spot: ShapeSpot, shape: Chosen) => boolean;
  /** Keeps a shape as a row of a book says it. */
  readonly keepRow: (row: Omit<BookShape, "id" | "playerId">) => void;
  /** Takes a shape of the band's book into this song. */
  readonly take: (row: BookShape) => void;
  /** Takes a shape out of this song's copy and the band's book. */
  readonly letGo: (row: BookShape) => void;
};

const rowsOf = (rows: Readonly<Record<string, BookShape>>, playerId: string): BookShape[] =>
  Object.values(rows).filter((one) => one.playerId === playerId);

const said = ({ id: _id, playerId: _player, ...row }: BookShape): Omit<BookShape, "id" | "playerId"> => row;

/** The shape book of a player of this song. */
export function useShapeBook(playerId: string): ShapeBook {
  const body = useRows("version", "players", "bookShapes");
  const { players, bookShapes } = body;
  const band = useBand();
  const current = useCurrentVersion();
  const act = useAct();
  const actOnBand = useActOnBand();
  const own = rowsOf(bookShapes, playerId);
  const bandPlayerId = bandPlayerOf(players[playerId], band?.players ?? {});
  const kept = band && bandPlayerId !== null ? rowsOf(band.bookShapes, bandPlayerId) : [];
  const keepWithBand = (row: Omit<BookShape, "id" | "playerId">) => {
    if (bandPlayerId !== null && !hasShape(kept, row))
      actOnBand(bandEdits.add("bookShapes", { ...row, id: makeId(), playerId: bandPlayerId }));
  };
  const take = (row: Omit<BookShape, "id" | "playerId">) => {
    if (!hasShape(own, row)) act(add("bookShapes", { ...row, id: makeId(), playerId }));
  };
  /** A shape by the name the player's own hand has for its chord, whatever names the window shows. */
  const named = (spot: ShapeSpot, { frets, fingers }: Chosen): ShapeKept => {
    const player = players[playerId];
    return { symbol: (player && handName(body, player, spot)) ?? spot.symbol, frets, fingers };
  };
  return {
    own,
    beside: kept.filter((row) => !hasShape(own, row)),
    isOfBand: bandPlayerId !== null,
    keep: (spot, shape) => {
      const kept = named(spot, shape);
      const row = bookShapeAt(spot, kept);
      keepWithBand(row);
      if (!hasShape(own, row)) act(keepInBook(current(), spot, kept, makeId));
    },
    has: (spot, shape) => hasShape(own, bookShapeAt(spot, named(spot, shape))),
    keepRow: (row) => {
      keepWithBand(row);
      take(row);
    },
    take: (row) => take(said(row)),
    letGo: (row) => {
      const inBand = kept.find((one) => hasShape([one], row));
      if (inBand) actOnBand(bandEdits.remove("bookShapes", inBand));
      const here = own.find((one) => hasShape([one], row));
      if (here) act(remove("bookShapes", here));
    },
  };
}

/** The band's player this one is a copy of, where the band still has them. */
const bandPlayerOf = (
  player: Player | undefined,
  players: Readonly<Record<string, unknown>>,
): string | null => {
  const id = player?.bandPlayerId ?? null;
  return id !== null && Object.hasOwn(players, id) ? id : null;
};
