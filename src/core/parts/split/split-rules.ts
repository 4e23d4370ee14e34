import { canDo } from "../../fretboard";
import {
  isPlaying,
  type School,
  type SplitCase,
  type SplitCell,
  type SplitGrid,
  type SplitSection,
  type SplitViolation,
} from "./case";
import { missingBassBars, sharedSemitones } from "./split-score";

/** Up to this energy a sparse section has at most two players. */
export const SPARSE_ENERGY = 2;
export const SPARSE_PLAYERS = 2;

/** What of a cell is looked at to tell whether another is the same part. */
type PlayedCell = Pick<SplitCell, "role" | "low" | "high" | "onsets">;

/** Two cells that would be one part twice: equal role and onsets in overlapping registers. */
export const isTwice = (a: PlayedCell, b: PlayedCell): boolean =>
  isPlaying(a) &&
  a.role === b.role &&
  sharedSemitones(a, b) > 0 &&
  a.onsets.length === b.onsets.length &&
  a.onsets.every((tick, at) => tick === b.onsets[at]);

/** Whether a section's bass is there from its first chord on. */
const hasBass = (section: SplitSection, cells: readonly SplitCell[]): boolean =>
  section.bass === "free" ||
  (cells.some((cell) => cell.role === "bass") && missingBassBars(section, cells) === 0);

const lampsOf = (cells: readonly SplitCell[]): number => cells.reduce((sum, cell) => sum + cell.lamp, 0);

/** Whether the light may not fall into a section, by the rule of the layered build. */
export const mayNotFall = (before: SplitSection, section: SplitSection): boolean =>
  section.energy >= before.energy;

/** The rules a section breaks. */
function sectionBreaches(
  school: School,
  section: SplitSection,
  cells: readonly SplitCell[],
  players: SplitCase["players"],
): SplitViolation[] {
  const broken: SplitViolation[] = [];
  const say = (rule: string, words: string) => broken.push({ rule, section: section.id, words });
  if (!hasBass(section, cells)) say("bass", "nobody has the bass this section needs");
  for (const [at, a] of cells.entries())
    for (let other = at + 1; other < cells.length; other++) {
      const b = cells[other]!;
      if (!isTwice(a, b) || a.double === players[other]!.id || b.double === players[at]!.id) continue;
      say("twice", `${players[at]!.id} and ${players[other]!.id} play one part twice`);
    }
  const carrying = cells.filter((cell) => cell.role === "carry").length;
  if (carrying > 1) say("carry", `${carrying} players carry, and at most one can`);
  if (school === "carry and colour" && carrying === 0) say("carry", "nobody carries this section");
  const playing = cells.filter(isPlaying).length;
  if (school === "sparse" && section.energy <= SPARSE_ENERGY && playing > SPARSE_PLAYERS)
    say("sparse", `${playing} play where at most ${SPARSE_PLAYERS} may`);
  for (const [at, cell] of cells.entries()) {
    const { id, level } = players[at]!;
    if (!canDo(level, cell.needs)) say("level", `${id} is asked for more than their level`);
    if (isPlaying(cell) && !(cell.entryBar >= 1 && cell.entryBar <= section.bars))
      say("entry", `${id} comes in outside the section`);
  }
  return broken;
}

/** Every rule a split breaks. */
export function violationsOf(split: SplitCase, school: School, grid: SplitGrid): SplitViolation[] {
  const broken = split.sections.flatMap((section, at) =>
    sectionBreaches(school, section, grid[at]!, split.players),
  );
  if (school !== "layered build") return broken;
  for (const [at, section] of split.sections.entries()) {
    const before = split.sections[at - 1];
    if (before && mayNotFall(before, section) && lampsOf(grid[at]!) < lampsOf(grid[at - 1]!))
      broken.push({
        rule: "build",
        section: section.id,
        words: "the light falls here though the energy does not",
      });
  }
  if (!grid.some((cells) => cells.some((cell) => isPlaying(cell) && cell.entryBar > 1)))
    broken.push({ rule: "build", section: null, words: "nobody comes in later than a first bar" });
  return broken;
}
