/** Whether a database can keep a text: no control signs but line ends and tabs, no half characters. */
export function isStorable(value: string): boolean {
  return !/[\p{Cc}\p{Cs}]/u.test(value.replaceAll(/[\n\t]/gu, ""));
}
