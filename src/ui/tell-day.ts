/** The day it is where this runs, as 2026-12-24. */
export const today = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};

const named = (part: "weekday" | "month") =>
  new Intl.DateTimeFormat("en", { [part]: "long", timeZone: "UTC" });
const [weekday, month] = [named("weekday"), named("month")];

/** A day in words, the same in every browser; "" for none. @example tellDay("2026-12-24") // => "Thursday, 24 December 2026" */
export function tellDay(day: string | null): string {
  if (day === null) return "";
  const date = new Date(`${day}T12:00:00Z`);
  return `${weekday.format(date)}, ${date.getUTCDate()} ${month.format(date)} ${date.getUTCFullYear()}`;
}
