/** NIOSH 98-126: 85 dBA over 8 hours, and half the time for each 3 dB more. */
export const LIMIT_DBA = 85;
const LIMIT_HOURS = 8;
const EXCHANGE_DB = 3;

/** How long a level may last in a day, hours. @example allowedHours(94) // => 1 */
export const allowedHours = (dba: number): number => LIMIT_HOURS / 2 ** ((dba - LIMIT_DBA) / EXCHANGE_DB);

/** The loudest that may last so long in a day, dBA. @example allowedLevel(0.25) // => 100 */
export const allowedLevel = (hours: number): number =>
  LIMIT_DBA + EXCHANGE_DB * Math.log2(LIMIT_HOURS / hours);

/** Hours in words. @example describeHours(0.25) // => "15 min" */
export function describeHours(hours: number): string {
  const minutes = hours * 60;
  if (minutes < 1) return `${Math.floor(minutes * 60)} s`;
  if (minutes < 60) return `${Number(minutes.toFixed(minutes < 10 ? 1 : 0))} min`;
  return `${Number(hours.toFixed(1))} h`;
}
