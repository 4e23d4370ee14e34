/**
 * A clock that only goes on: it is set once, by the system's, and then runs by the machine's running time. Whatever is done
 * to the system's clock meanwhile, an evening's time neither stands still nor leaps.
 * @param system ms since 1970
 * @param running ms since whenever, never set
 * @returns ms since 1970
 */
export function runningClock(
  system: () => number = Date.now,
  running: () => number = () => performance.now(),
): () => number {
  const begun = system() - running();
  return () => begun + running();
}

/**
 * A clock that is never before a time that has been already: one that was set back while the program did not run goes on
 * from there.
 */
export function clockFrom(earliest: number, clock: () => number): () => number {
  const ahead = Math.max(0, earliest - clock());
  return () => clock() + ahead;
}
