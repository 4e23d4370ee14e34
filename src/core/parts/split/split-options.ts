import {
  gridOnsets,
  type StringPart,
  stringsOfPart,
  type Technique,
  techniqueOf,
  techniquesOf,
} from "../../song/read";
import { OUT_CELL, type SplitCase, type SplitCell, type SplitPlayer } from "./case";

/** Frets above the capo a hand may stand at; the hand reaches three frets further. */
const POSITIONS = [0, 7] as const;
const REACH = 3;
const SPREAD_LIMIT = 12;
/** A register is at least so wide, or as wide as the technique. */
const LEAST_SPAN = 3;

/** What one player could do in any section: out first, then the table's techniques in its order. */
export function optionsOf(split: SplitCase, player: SplitPlayer): readonly SplitCell[] {
  const found = techniquesOf(player).flatMap((id): SplitCell[] => {
    const technique = techniqueOf(id);
    const onsets = gridOnsets(technique.grid, split.meter);
    const above = Math.max(...split.sections.map(({ voice }) => voice?.high ?? player.range[0]));
    return registersOf(technique, player, above).flatMap((register) =>
      technique.roles.map(
        (role): SplitCell => ({
          ...register,
          role,
          technique: id,
          onsets,
          lamp: 1,
          entryBar: 1,
          needs: technique.needs,
        }),
      ),
    );
  });
  return [OUT_CELL, ...found];
}

/** Strings and the lowest and highest pitch on them; both null without pitch. */
export type Register = Pick<SplitCell, "strings" | "low" | "high">;

/**
 * The registers a way of playing could lie in: on strings by the nut or further up, without strings octave by octave.
 * @param above just above whatever is sung in the song, MIDI
 * @param positions frets above the capo a hand may stand at
 */
export function registersOf(
  technique: Pick<Technique, "span" | "roles"> & { readonly strings: readonly StringPart[] },
  player: SplitPlayer,
  above: number,
  positions: readonly number[] = POSITIONS,
): Register[] {
  if (player.instrument === "drums") return [{ strings: [], low: null, high: null }];
  const [lowest, highest] = player.range;
  const wide = (low: number, high: number) => high - low >= Math.min(LEAST_SPAN, technique.span);
  const registers: Register[] = [];
  const seen = new Set<string>();
  const put = (strings: readonly number[], from: number, to: number) => {
    const low = Math.max(from, lowest);
    const high = Math.min(to, low + technique.span, highest);
    const key = `${strings.join()} ${low} ${high}`;
    if (!wide(low, high) || seen.has(key)) return;
    seen.add(key);
    registers.push({ strings, low, high });
  };
  if (player.tuning.length === 0) {
    // An octave apart, and just above whatever is sung in the song; a bass keeps to the lowest.
    const octaves = Array.from({ length: Math.ceil((highest - lowest) / 12) }, (_, at) => lowest + 12 * at);
    const bass = technique.roles.every((role) => role === "bass");
    for (const from of bass ? [lowest] : [...octaves, above]) put([], from, from + technique.span);
    return registers;
  }
  for (const part of technique.strings) {
    const strings = stringsOfPart(part, player.tuning.length);
    const open = strings.map((string) => player.tuning[string]! + player.capo);
    const [bottom, top] = [Math.min(...open), Math.max(...open)];
    const own = part === "all" ? positions.slice(0, 1) : positions;
    for (const fret of own) put(strings, bottom + fret, Math.min(top + fret + REACH, top + SPREAD_LIMIT));
  }
  return registers;
}
