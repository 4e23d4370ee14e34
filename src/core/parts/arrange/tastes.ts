import type { MakeId } from "../../../document";
import { type BandCommand, bandEdits } from "../../song/edit";
import type { BandBody, IdeaTaste, SectionKind } from "../../song/schema";
import type { ArrangeCase, Taste } from "./case";
import { ideaOf } from "./ideas";

/** So many times have to speak before a taste is half of what it could be. */
const CAUTION = 4;
/** From here on a taste is told: twice taken and never put aside. */
const TOLD = 0.3;

/** A taste out of how often an idea was taken and put aside. @example tasteOf({ taken: 4, left: 0 }) // => 0.5 */
export const tasteOf = ({ taken, left }: Pick<IdeaTaste, "taken" | "left">): number =>
  (taken - left) / (taken + left + CAUTION);

/** The tastes of a band, as an arrangement is asked for with them. */
export const tastesOf = (band: Pick<BandBody, "ideaTastes">): readonly Taste[] =>
  Object.values(band.ideaTastes).map(({ idea, kind, ...row }) => ({ idea, kind, by: tasteOf(row) }));

/** By case, what each idea lacks to what its instrument likes best in a kind of section. */
const known = new WeakMap<readonly Taste[], ReadonlyMap<string, number>>();

/** How much less an idea is liked than what the band likes best there on that instrument, 0 where nothing is known. */
export function tasteGap({ tastes }: Pick<ArrangeCase, "tastes">, kind: SectionKind, idea: string): number {
  if (tastes.length === 0) return 0;
  const before = known.get(tastes);
  const likes = before ?? new Map(tastes.map((one) => [`${one.kind} ${one.idea}`, one.by]));
  if (!before) known.set(tastes, likes);
  const instrument = ideaOf(idea)?.instrument;
  const best = tastes.reduce(
    (most, one) =>
      one.kind === kind && ideaOf(one.idea)?.instrument === instrument ? Math.max(most, one.by) : most,
    0,
  );
  return best - (likes.get(`${kind} ${idea}`) ?? 0);
}

/** A taste in words; null where it is too weak to be told. @example "likes octaves that take root or third in a bridge" */
export function tellTaste(row: IdeaTaste): string | null {
  const words = ideaOf(row.idea)?.words;
  const by = tasteOf(row);
  if (!words || Math.abs(by) < TOLD) return null;
  return `${by > 0 ? "likes" : "does without"} ${words} in ${/^[aeiou]/u.test(row.kind) ? "an" : "a"} ${row.kind}`;
}

type Met = { readonly idea: string; readonly kind: SectionKind };

/** What a band took and what it put aside, each once, as one edit of the band; null where nothing was. */
export function learn(
  band: Pick<BandBody, "ideaTastes">,
  { taken, left }: { readonly taken: readonly Met[]; readonly left: readonly Met[] },
  makeId: MakeId,
): BandCommand | null {
  const keyOf = ({ idea, kind }: Met) => `${kind} ${idea}`;
  const rows = new Map(Object.values(band.ideaTastes).map((row) => [keyOf(row), row]));
  const all = new Map([...taken, ...left].map((one) => [keyOf(one), one]));
  const has = (list: readonly Met[], key: string) => Number(list.some((one) => keyOf(one) === key));
  const steps = [...all].map(([key, { idea, kind }]) => {
    const row = rows.get(key);
    const counts = { taken: (row?.taken ?? 0) + has(taken, key), left: (row?.left ?? 0) + has(left, key) };
    return row
      ? bandEdits.set("ideaTastes", row.id, counts)
      : bandEdits.add("ideaTastes", { id: makeId(), idea, kind, ...counts });
  });
  return steps.length > 0 ? bandEdits.batch("Learn what the band likes", steps) : null;
}
