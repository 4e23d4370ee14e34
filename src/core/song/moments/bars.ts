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
