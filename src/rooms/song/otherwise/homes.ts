import type { ExceptionHome } from "@/core/song/edit";
import { type Outline, placeNames, TIMES_WORDS } from "@/core/song/read";
import { EXCEPTION_TIMES, type Exception, type Use } from "@/core/song/schema";

/** Where an exception may hold, as one chooses it. */
export type HomeChoice = { readonly value: string; readonly label: string; readonly home: ExceptionHome };

/** A place of the form where other words are sung over a section's chords: what it is called, and how it begins. */
export type SungOver = { readonly useId: string; readonly label: string; readonly opening: string };

/** Places of the form with words of their own, by their section. */
export function sungOver(
  outline: Outline,
  names: ReadonlyMap<string, string>,
): ReadonlyMap<string, readonly SungOver[]> {
  const found = new Map<string, SungOver[]>();
  for (const use of outline.form) {
    const words = outline.exceptions.get(use.id)?.find(({ exception }) => exception.kind === "words");
    if (!words) continue;
    const opening = words.lines[0]?.text ?? "";
    const place = { useId: use.id, label: names.get(use.id) ?? "", opening };
    found.set(use.sectionId, [...(found.get(use.sectionId) ?? []), place]);
  }
  return found;
}

const valueAt = (useId: string, round: number | null): string => `use ${useId} ${round ?? ""}`.trim();

/** The choice an exception stands at. */
export const homeOf = ({ useId, times, round }: Pick<Exception, "useId" | "times" | "round">): string =>
  useId === null ? times : valueAt(useId, round);

/**
 * Where something can be otherwise in a section: every time, some of its times, or at one place of the form; seen from a
 * place, that place first.
 * @param names what places are called, where it is known
 */
export function homesIn(
  outline: Outline,
  sectionId: string,
  here: Use | null,
  names: ReadonlyMap<string, string> = placeNames(outline),
): HomeChoice[] {
  const uses = outline.form.filter((use) => use.sectionId === sectionId);
  const count = uses.reduce((sum, use) => sum + use.repeat, 0);
  const shared = EXCEPTION_TIMES.filter((times) => count > 1 || times === "every").map(
    (times): HomeChoice => ({ value: times, label: TIMES_WORDS[times], home: { sectionId, times } }),
  );
  const placesOf = (use: Use): HomeChoice[] => {
    const name = use.id === here?.id ? "here" : (names.get(use.id) ?? "here");
    const rounds = use.repeat === 1 ? [] : Array.from({ length: use.repeat }, (_, at) => at + 1);
    return [
      { value: valueAt(use.id, null), label: `only ${name}`, home: { useId: use.id } },
      ...rounds.map((round) => ({
        value: valueAt(use.id, round),
        label: `only ${name}, time ${round}`,
        home: { useId: use.id, round },
      })),
    ];
  };
  const own = here ? placesOf(here) : [];
  const others = count > 1 ? uses.filter((use) => use.id !== here?.id).flatMap(placesOf) : [];
  return [...own, ...shared, ...others];
}
