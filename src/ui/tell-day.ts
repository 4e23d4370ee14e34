const DAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"] as const;
const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
] as const;

/** A day in words, the same in every browser; "" for none. @example tellDay("2026-12-24") // => "Thursday, 24 December 2026" */
export function tellDay(day: string | null): string {
  if (day === null) return "";
  const date = new Date(`${day}T12:00:00Z`);
  return `${DAYS[date.getUTCDay()]}, ${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]} ${date.getUTCFullYear()}`;
}
