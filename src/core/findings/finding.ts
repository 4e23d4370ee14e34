/**
 * Something that may go wrong: what, where, for whom, and what could be done. Wording is made elsewhere. `id` stays the
 * same while the place and the players do, so that it can be let stand.
 */
export type Finding<
  Facts extends { readonly kind: string } = { readonly kind: string },
  Fix = unknown,
> = Facts & {
  readonly id: string;
  /** Null is the whole song. */
  readonly useId: string | null;
  /** The place by its name. */
  readonly label: string;
  readonly playerIds: readonly string[];
  /** What could be done. */
  readonly fixes: readonly Fix[];
};

export type Place = Pick<Finding, "useId" | "label">;

/** The same finding at one or several places, told once. `id`, `useId` and `label` are those of its first place. */
export type Gathered<Found extends Finding> = Found & {
  /** The finding at each place: all of them are let stand together. */
  readonly ids: readonly string[];
  readonly places: readonly Place[];
};

/** A finding somebody lets stand, with the row that says so and why. */
type Standing<Found extends Finding> = {
  readonly finding: Found;
  readonly rowId: string;
  readonly reason: string;
};

export type Judged<Found extends Finding> = {
  /** Nobody has let these stand. */
  readonly open: readonly Gathered<Found>[];
  readonly stand: readonly Standing<Found>[];
};

type FixOf<Found extends Finding> = Found["fixes"][number];

/** How fixes of the same finding in two places go together. */
export type Fixing<Fix> = {
  /** What a fix does, wherever: findings whose fixes do otherwise stay apart. */
  readonly code: (fix: Fix) => unknown;
  /** One fix that does in both places what each does in one. */
  readonly join: (a: Fix, b: Fix) => Fix;
};

/**
 * Tells once what is the same in several places, where it came first. What a fix does in one place it then does in all.
 * @example gather([{ kind: "no-bass", id: "a", label: "Verse", … }, { kind: "no-bass", id: "b", label: "Chorus", … }], fixing)[0].places.length // => 2
 */
export function gather<Found extends Finding>(
  findings: readonly Found[],
  { code, join }: Fixing<FixOf<Found>>,
): Gathered<Found>[] {
  const groups = new Map<string, Found[]>();
  for (const finding of findings) {
    const { id: _id, useId, label: _label, fixes, ...facts } = finding;
    // The whole song is no place among others.
    const key = useId === null ? finding.id : JSON.stringify([facts, fixes.map(code)]);
    const group = groups.get(key);
    if (group) group.push(finding);
    else groups.set(key, [finding]);
  }
  return [...groups.values()].map((group) => {
    const [first, ...others] = group as [Found, ...Found[]];
    return {
      ...first,
      ids: group.map(({ id }) => id),
      places: group.map(({ useId, label }) => ({ useId, label })),
      fixes: first.fixes.map((fix, at) => others.reduce((all, { fixes }) => join(all, fixes[at]), fix)),
    };
  });
}

/** Sets apart what somebody lets stand; of the rest, what is the same in several places is told once. */
export function judge<Found extends Finding>(
  findings: readonly Found[],
  dismissals: Readonly<
    Record<string, { readonly id: string; readonly finding: string; readonly reason: string }>
  >,
  fixing: Fixing<FixOf<Found>>,
): Judged<Found> {
  const rows = new Map(Object.values(dismissals).map((row) => [row.finding, row]));
  return {
    open: gather(
      findings.filter(({ id }) => !rows.has(id)),
      fixing,
    ),
    stand: findings.flatMap((finding) => {
      const row = rows.get(finding.id);
      return row ? [{ finding, rowId: row.id, reason: row.reason }] : [];
    }),
  };
}

/** The names of places, each once. @example namesOfPlaces([verse, chorus, verse]) // => ["Verse (twice)", "Chorus"] */
export function namesOfPlaces(places: readonly Place[]): string[] {
  const counts = new Map<string, number>();
  for (const { label } of places) counts.set(label, (counts.get(label) ?? 0) + 1);
  return [...counts].map(([label, count]) =>
    count === 1 ? label : `${label} (${count === 2 ? "twice" : `${count} times`})`,
  );
}
