import { type LoopRun, PRESS_PLACES } from "@/core/song/schema";
import type { DuePress } from "./judge";

type Runs = readonly Pick<LoopRun, "presses">[];
type Asked = Pick<DuePress, "place" | "sung" | "where"> & { readonly act?: string };

/** How often a press was right: by its place in the song where that has been tried often enough, else by its kind. */
export type PressOdds = (press: Asked) => number;

/** From so many tries on a place of the song speaks for itself. Ours, no source. */
const ENOUGH_TRIES = 3;

type Count = { right: number; all: number };

const placeKey = ({
  where,
  act,
}: {
  readonly where?: string | undefined;
  readonly act?: string | undefined;
}) => (where === undefined || act === undefined ? null : `${where} ${act}`);

/**
 * Odds of a right press from the log, each kind and place with one right and one wrong press added, so that few runs promise
 * little (the rule of succession).
 */
export function oddsOf(runs: Runs): PressOdds {
  const kinds = new Map<string, Count>();
  for (const place of PRESS_PLACES)
    for (const sung of [true, false]) kinds.set(`${place} ${sung}`, { right: 0, all: 0 });
  const places = countsByPlace(runs);
  for (const { judged, place, sung } of runs.flatMap(({ presses }) => presses)) {
    const count = kinds.get(`${place} ${sung}`)!;
    count.all++;
    if (judged === "right") count.right++;
  }
  return (press) => {
    const own = places.get(placeKey(press) ?? "");
    const { right, all } = own && own.all >= ENOUGH_TRIES ? own : kinds.get(`${press.place} ${press.sung}`)!;
    return (right + 1) / (all + 2);
  };
}

function countsByPlace(runs: Runs): ReadonlyMap<string, Count> {
  const places = new Map<string, Count>();
  for (const press of runs.flatMap(({ presses }) => presses)) {
    const key = placeKey(press);
    if (key === null) continue;
    const count = places.get(key) ?? { right: 0, all: 0 };
    count.all++;
    if (press.judged === "right") count.right++;
    places.set(key, count);
  }
  return places;
}

/** The chance that every press that is due is right, presses taken as independent. */
export const chanceOf = (due: readonly Asked[], odds: PressOdds): number =>
  due.reduce((chance, press) => chance * odds(press), 1);

/** A press of the plan that goes wrong more often than others. */
export type CostlyPress = {
  readonly where: string;
  readonly act: string;
  readonly right: number;
  readonly all: number;
};

/**
 * The presses that cost most: tried more than once, and wrong most often; of equals the one that was tried less.
 * @example costliest(runs, 2) // => [{ where: "u3", act: "track-1", right: 1, all: 5 }, …]
 */
export const costliest = (runs: Runs, most: number): CostlyPress[] =>
  [...countsByPlace(runs)]
    .flatMap(([key, { right, all }]): CostlyPress[] => {
      const cut = key.lastIndexOf(" ");
      return all < 2 || right === all
        ? []
        : [{ where: key.slice(0, cut), act: key.slice(cut + 1), right, all }];
    })
    .sort((a, b) => b.all - b.right - (a.all - a.right) || a.all - b.all)
    .slice(0, most);
