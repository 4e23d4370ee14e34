import { type BandSheet, listChanges, listShapes, type ShapePlan, type SheetPart } from "../parts";
import { beatsOfBar, isOnset, type Pattern } from "../rhythm";
import type { VersionBody } from "../song/schema";
import type { ToLearn } from "./load";

/** Strokes of a pattern that sound, by the bar. */
const strokesInBar = ({ strokes, subdivision, meter }: Pattern): number => {
  const bars = strokes.length / subdivision / beatsOfBar(meter);
  return strokes.filter(isOnset).length / Math.max(1, bars);
};

/**
 * What one player must learn of a song: sections they play in, shapes and changes of their hand, patterns, lines, what is otherwise
 * somewhere, and changes of sound.
 * @param plan the way of their hand; null where they have no strings
 */
export function toLearnOf(
  body: Pick<VersionBody, "exceptions">,
  { rows }: Pick<BandSheet, "rows">,
  playerId: string,
  plan: ShapePlan | null,
): ToLearn {
  const played = rows.flatMap((row) => {
    const part = row.parts.find(({ player }) => player.id === playerId);
    return part && !part.out ? [{ row, part }] : [];
  });
  const parts = played.map(({ part }) => part);
  const sections = new Set(played.map(({ row }) => row.section.id));
  const uses = new Set(played.map(({ row }) => row.use.id));
  const patterns = new Set(
    parts.flatMap(({ pattern, shortPattern, fillPattern }) =>
      [pattern, shortPattern, fillPattern].filter((one) => one !== null),
    ),
  );
  const lines = new Map(parts.flatMap(({ riff, notes }) => (riff ? [[riff.id, notes.length] as const] : [])));
  return {
    sections: sections.size,
    exceptions: Object.values(body.exceptions).filter(
      ({ useId, sectionId }) =>
        (useId !== null && uses.has(useId)) || (sectionId !== null && sections.has(sectionId)),
    ).length,
    shapes: plan ? listShapes(plan).map(({ fingering }) => fingering.difficulty) : [],
    changes: plan ? listChanges(plan).map(({ cost }) => cost) : [],
    patterns: [...patterns].map(strokesInBar),
    lines: [...lines.values()],
    presses: soundChanges(parts),
  };
}

/** How often a player's sound becomes another along the form. */
const soundChanges = (parts: readonly SheetPart[]): number =>
  parts.filter(({ cell }, at) => at > 0 && cell.sound.value !== parts[at - 1]!.cell.sound.value).length;

/** Sections that want a bass while nobody plays one, by their labels, each once. */
export const withoutBass = ({ rows }: Pick<BandSheet, "rows">): string[] => [
  ...new Set(
    rows.flatMap(({ bass, parts, label }) =>
      bass === "needed" && !parts.some(({ out, cell }) => !out && cell.role.value === "bass") ? [label] : [],
    ),
  ),
];
