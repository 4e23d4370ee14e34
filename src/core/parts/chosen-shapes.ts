import { parseChord } from "../chord";
import { parseTuning } from "../pitch";
import { Namer, readerOf } from "../song/names";
import type { BookShape, Player, VersionBody } from "../song/schema";
import { keyInBook } from "./shape-book";

/** A shape somebody has chosen in a song, as a shape book would keep it. */
export type ChosenShape = Omit<BookShape, "id" | "playerId">;

/** From so many strings a shape whose voicing nobody named is a full chord. */
const FULL_FROM = 4;

/**
 * The shapes chosen in a version for players of the band, by the names their hands have for them, each once.
 * A small shape counts only where its voicing is named.
 */
export function shapesChosen(
  body: Pick<VersionBody, "version" | "choices" | "players">,
): { readonly bandPlayerId: string; readonly shape: ChosenShape }[] {
  const found = new Map<string, { bandPlayerId: string; shape: ChosenShape }>();
  for (const choice of Object.values(body.choices)) {
    const player = body.players[choice.playerId];
    const sounding = choice.frets.filter((fret) => fret !== null).length;
    if (!player?.bandPlayerId || (choice.style === null && sounding < FULL_FROM)) continue;
    const symbol = handName(body, player, choice);
    if (symbol === null) continue;
    const { frets, fingers, tuning, style, strings } = choice;
    const shape = { symbol, style: style ?? ("full" as const), strings, frets, fingers, tuning };
    const { bandPlayerId } = player;
    found.set(`${bandPlayerId} ${keyInBook(shape)}`, { bandPlayerId, shape });
  }
  return [...found.values()];
}

/** What a player's hand calls a sounding chord behind a capo on strings tuned so, in letters; null where it cannot be read. */
export function handName(
  body: Pick<VersionBody, "version">,
  player: Player,
  { symbol, capo, tuning }: { symbol: string; capo: number; tuning: readonly string[] },
): string | null {
  if (!parseChord(symbol).ok || !parseTuning(tuning).ok) return null;
  return new Namer(body, readerOf({ ...player, tuning: [...tuning] }, capo)).shapeOf(symbol);
}
