import { canDo } from "../../fretboard";
import { registersOf } from "../split";
import { type ArrangeCase, type ArrangeCell, type ArrangePlayer, type ArrangeUse, OUT_OF_IT } from "./case";
import { figureIn } from "./figures";
import { IDEAS, type Idea } from "./ideas";

/** A hand's width up the neck: where "high" is, and small shapes lie about. */
export const HIGH_FRET = 7;

/**
 * Everything a player could do somewhere in the song, out first: ideas of their instrument within their level, in every
 * register these can lie in, in every role they are good for. {@link isPossible} says which of them a use allows.
 */
export function cellsOf(asked: ArrangeCase, player: ArrangePlayer): ArrangeCell[] {
  if (player.away) return [OUT_OF_IT];
  const found = IDEAS.filter(
    (idea) =>
      idea.instrument === player.instrument &&
      canDo(player.level, idea.needs) &&
      (!idea.looped || player.loops) &&
      (asked.ideas === null || asked.ideas.includes(idea.id)),
  ).flatMap((idea) => cellsOfIdea(asked, player, idea));
  return [OUT_OF_IT, ...found];
}

/**
 * Whether a use allows a cell: while somebody sings, who sings with it has what can be sung over; a lead is sung where there
 * is one, as far as it is the singer's; other voices sing where somebody sings.
 */
export function isPossible(cell: ArrangeCell, player: ArrangePlayer, { voice }: ArrangeUse): boolean {
  if (cell.role === "out") return true;
  if (player.instrument !== "voice") return cell.singable || !(player.sings && voice !== null);
  if (!voice) return false;
  if (cell.role !== "carry") return true;
  const own = sungBy(player, voice);
  return own !== null && own.low === cell.low && own.high === cell.high;
}

type Range = { readonly low: number; readonly high: number };

/** What of a sung range lies within a singer's own. */
function sungBy({ range: [lowest, highest] }: ArrangePlayer, voice: Range): Range | null {
  const own = { low: Math.max(voice.low, lowest), high: Math.min(voice.high, highest) };
  return own.low <= own.high ? own : null;
}

function cellsOfIdea({ meter, uses }: ArrangeCase, player: ArrangePlayer, idea: Idea): ArrangeCell[] {
  const pattern = figureIn(idea.figure, meter, player.instrument !== "guitar");
  return registersFor(uses, player, idea).flatMap((register) =>
    idea.roles.map(
      (role): ArrangeCell => ({
        idea: idea.id,
        role,
        technique: idea.technique,
        pattern,
        voicing: player.tuning.length > 0 ? idea.style : null,
        colour: idea.colour,
        ...register,
        onsets: pattern.onsets,
        light: 1,
        entryBar: 1,
        needs: idea.needs,
        line: idea.line ?? null,
        singable: idea.singable,
      }),
    ),
  );
}

function registersFor(
  uses: readonly ArrangeUse[],
  player: ArrangePlayer,
  idea: Idea,
): ReturnType<typeof registersOf> {
  if (player.instrument === "voice" && idea.roles[0] === "carry") {
    const sung = new Map<string, Range>();
    for (const { voice } of uses) {
      const own = voice && sungBy(player, voice);
      if (own) sung.set(`${own.low} ${own.high}`, own);
    }
    return [...sung.values()].map((own) => ({ strings: [], ...own }));
  }
  const above = Math.max(...uses.map(({ voice }) => voice?.high ?? player.range[0]));
  const shape = { strings: [idea.strings], span: idea.span, roles: idea.roles };
  return registersOf(shape, player, above, [idea.place === "high" ? HIGH_FRET : 0]);
}
