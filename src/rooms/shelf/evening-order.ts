/**
 * Evenings in the order they matter: those that come by their day, then those without one, then those that are over, the
 * newest first.
 * @param today as 2026-12-01
 */
export function inOrder<One extends { readonly day: string | null }>(
  evenings: readonly One[],
  today: string,
): One[] {
  const rank = ({ day }: One): number => (day === null ? 1 : day >= today ? 0 : 2);
  return [...evenings].sort(
    (a, b) => rank(a) - rank(b) || (a.day ?? "").localeCompare(b.day ?? "") * (rank(a) === 2 ? -1 : 1),
  );
}
