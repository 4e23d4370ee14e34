/**
 * A name that is not taken: the wished one, else it with the first number from 2 on that is free.
 * @param alike what two names have in common that count as one; the name itself where nothing is said
 * @example freshName("Electric", ["Electric"]) // => "Electric 2"
 */
export function freshName(
  name: string,
  taken: readonly string[],
  alike: (name: string) => string = (one) => one,
): string {
  const known = new Set(taken.map(alike));
  let fresh = name;
  for (let count = 2; known.has(alike(fresh)); count++) fresh = `${name} ${count}`;
  return fresh;
}
