import type { Outline } from "./outline";

const ENDS_IN_A_NUMBER = /\d\s*$/u;

/**
 * What places of the form are called: by their own name, else by their section's, numbered where more than one is.
 * @returns by use
 * @example Verse, Chorus, Verse, Chorus // => "Verse 1", "Chorus 1", "Verse 2", "Chorus 2"
 * @example Verse 1 played twice // => "Verse 1", "Verse 1 (2)"
 */
export function placeNames(outline: Pick<Outline, "form" | "byId">): ReadonlyMap<string, string> {
  const counts = new Map<string, number>();
  for (const { sectionId, label } of outline.form)
    if (label === null) counts.set(sectionId, (counts.get(sectionId) ?? 0) + 1);
  const taken = new Set(outline.form.flatMap(({ label }) => (label === null ? [] : [label])));
  const times = new Map<string, number>();
  return new Map(
    outline.form.map((use) => {
      const label = outline.byId.get(use.sectionId)?.section.label ?? "";
      if (use.label !== null || counts.get(use.sectionId) === 1) return [use.id, use.label ?? label];
      const time = (times.get(use.sectionId) ?? 0) + 1;
      times.set(use.sectionId, time);
      const numbered = ENDS_IN_A_NUMBER.test(label)
        ? `${label}${time === 1 ? "" : ` (${time})`}`
        : `${label} ${time}`;
      // A name somebody gave to another place is that place's.
      return [use.id, taken.has(numbered) ? `${label} (${time})` : numbered];
    }),
  );
}
