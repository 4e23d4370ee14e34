import { modulo, type Semitones } from "../../../base";
import { moveChord, parseChord } from "../../chord";
import { formatKey, type Key, moveKey, parseKey, semitonesUp } from "../../pitch";
import { keysOf } from "../read/keys";
import type { VersionBody } from "../schema/documents";
import type { Player } from "../schema/players";
import type { VersionCommand, VersionStep } from "./edits";
import { batch, set } from "./makers";

/** Farther up a capo leaves little neck. Ours, no source. */
const FARTHEST_CAPO = 9;
const OCTAVE = 12;

/** The capo that keeps the shapes when all sounds so much higher; null when it lies off the neck. */
function movedCapo(capo: number, by: Semitones): number | null {
  const moved = modulo(capo + by, OCTAVE);
  return moved <= FARTHEST_CAPO ? moved : null;
}

/** Semitones from one key up to another, by the shorter way. */
const between = (from: Key, to: Key): Semitones => modulo(semitonesUp(from.tonic, to.tonic) + 5, OCTAVE) - 5;

/** Whether a player has a capo, so that a change of key may keep their shapes. */
export const hasCapo = ({ instrument, capo }: Pick<Player, "instrument" | "capo">): boolean =>
  instrument === "guitar" && capo > 0;

/**
 * Performs a version in another key.
 * @param keeps who keeps their shapes: their capo moves along, where the neck reaches so far, and chosen shapes with it
 * @example changeKey(in G with capo 2, "A", hasCapo) // => key A, capo 4
 */
export function changeKey(
  body: Pick<VersionBody, "version" | "players" | "cells" | "choices" | "riffs">,
  key: string,
  keeps: (player: Player) => boolean,
): VersionCommand {
  const { sounding } = keysOf(body);
  const [version] = Object.values(body.version);
  const to = parseKey(key);
  const asked: VersionStep = set("version", version!.id, { key, keySure: true });
  if (!to.ok) return asked;
  const by = between(sounding, to.value);
  const steps = [
    ...Object.values(body.players)
      .filter(keeps)
      .flatMap((player) => stepsOf(body, player, sounding, to.value, by)),
    // A line that says no key was written in the one that is left: from now on it says so, and goes along.
    ...Object.values(body.riffs).flatMap(({ id, homeKey }) =>
      homeKey === null && by !== 0 ? [set("riffs", id, { homeKey: formatKey(sounding) })] : [],
    ),
  ];
  return steps.length === 0 ? asked : batch(`Change the key to ${key}`, [asked, ...steps]);
}

function stepsOf(
  body: Pick<VersionBody, "cells" | "choices">,
  player: Player,
  from: Key,
  to: Key,
  by: Semitones,
): VersionStep[] {
  const own = movedCapo(player.capo, by);
  const cells = Object.values(body.cells).flatMap(({ id, playerId, capo }): VersionStep[] => {
    const moved = playerId === player.id && capo !== null ? movedCapo(capo, by) : null;
    return moved === null ? [] : [set("cells", id, { capo: moved })];
  });
  const choices = Object.values(body.choices).flatMap(({ id, playerId, capo, symbol }): VersionStep[] => {
    const moved = playerId === player.id ? movedCapo(capo, by) : null;
    const chord = parseChord(symbol);
    if (moved === null || !chord.ok) return [];
    return [set("choices", id, { capo: moved, symbol: moveChord(chord.value, from, to) })];
  });
  return [...(own === null ? [] : [set("players", player.id, { capo: own })]), ...cells, ...choices];
}

/**
 * What the same shapes sound behind each capo.
 * @example sameShapes({ capo: 2 }, D major)[0] // => { capo: 0, key: "C" }
 */
export const sameShapes = (
  { capo }: Pick<Player, "capo">,
  sounding: Key,
): readonly { readonly capo: number; readonly key: string }[] =>
  Array.from({ length: FARTHEST_CAPO + 1 }, (_, other) => ({
    capo: other,
    key: formatKey(moveKey(sounding, other - capo)),
  }));
