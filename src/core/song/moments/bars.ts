/** A bar by its number in a section, 0 the pickup before it. @example tellBarNumber(3) // => "bar 3" */
export const tellBarNumber = (bar: number): string => (bar === 0 ? "the pickup" : `bar ${bar}`);

/**
 * Bars of a section, told with what they are counted from.
 * @param said as {@link formatBars} writes them
 * @example tellBars("5-8", "Verse 1") // => "bars 5–8 of Verse 1"
 */
export const tellBars = (said: string, label: string): string =>
  said === "none"
    ? "no bars"
    : `${/^\d+$/u.test(said) ? "bar" : "bars"} ${said.replaceAll("-", "–")} of ${label}`;

/** A bar of a time through a section, by its number there. */
type BarOf = { readonly bar: number; readonly label: string; readonly passage: number };

/**
 * A stretch of a song from bar to bar, told by the sections it begins and ends in.
 * @example tellStretch({ bar: 3, label: "Verse 1", passage: 0 }, { bar: 2, label: "Chorus", passage: 1 })
 * // => "bar 3 of Verse 1 to bar 2 of Chorus"
 */
export const tellStretch = (first: BarOf, last: BarOf): string =>
  first.passage === last.passage
    ? tellBars(first.bar === last.bar ? `${first.bar}` : `${first.bar}-${last.bar}`, first.label)
    : `${tellBarNumber(first.bar)} of ${first.label} to ${tellBarNumber(last.bar)} of ${last.label}`;
