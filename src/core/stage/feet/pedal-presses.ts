import { barToMend, type FeetPlace } from "./feet-place";
import type { FeetPress, StagePedals } from "./stage-feet";
import { tellWhen } from "./tell-when";

/** What is pressed on single pedals from those that are really on: what mends the sound now, and the next change. */
export function pedalPresses(
  { effects, on: wanted }: StagePedals,
  on: readonly string[],
  { passages, here, next }: FeetPlace,
): FeetPress[] {
  const passage = here && passages[here.index];
  const present = (passage && wanted[passage.id]) || null;
  const between = (from: readonly string[], to: readonly string[]): string[] =>
    effects.filter((effect) => from.includes(effect) !== to.includes(effect));
  const pressOf = (effect: string, heard: boolean) =>
    ({ foot: "box", act: { do: "pedal", effect }, heard }) as const;
  const mends =
    here && passage && present
      ? between(on, present.effects).map((effect): FeetPress => {
          const tick = barToMend(passage, here.tick, here.leave);
          return {
            ...pressOf(effect, false),
            kind: "mend",
            ahead: false,
            passage: passage.id,
            tick,
            when: "",
          };
        })
      : [];
  const from = present?.effects ?? on;
  for (let index = next ?? passages.length; index < passages.length; index++) {
    const { id } = passages[index]!;
    const comes = wanted[id];
    const change = comes ? between(from, comes.effects) : [];
    if (!comes || change.length === 0) continue;
    const { begins } = comes;
    return [
      ...mends,
      ...change.map(
        (effect, at): FeetPress => ({
          ...pressOf(effect, at > 0),
          kind: "change",
          ahead: true,
          passage: id,
          tick: begins.tick,
          when: tellWhen(begins),
        }),
      ),
    ];
  }
  return mends;
}
