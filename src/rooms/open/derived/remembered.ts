/** Texts remembered at most, before all are forgotten. */
const MOST_TEXTS = 2000;

type Answer<Value> = { readonly seen: readonly unknown[]; readonly value: Value };

/**
 * Remembers answers: one for each key, given again while everything it was made from is the same.
 * @param from what the answer is made from, compared by identity
 * @param make makes the answer; `last` is the one before for the same key, so that what has not changed can stay the same object
 * @param key what answers are kept by: an object for as long as it lives, a text while there are not too many
 */
export function remembered<Args extends readonly unknown[], Value>({
  from,
  make,
  key = () => "",
}: {
  readonly from: (...args: Args) => readonly unknown[];
  readonly make: (last: Value | null, ...args: Args) => Value;
  readonly key?: (...args: Args) => string | object;
}): (...args: Args) => Value {
  const byText = new Map<string, Answer<Value>>();
  const byObject = new WeakMap<object, Answer<Value>>();
  const keep = (at: string | object, answer: Answer<Value>) => {
    if (typeof at === "object") byObject.set(at, answer);
    else {
      if (byText.size >= MOST_TEXTS) byText.clear();
      byText.set(at, answer);
    }
  };
  return (...args) => {
    const at = key(...args);
    const last = (typeof at === "object" ? byObject.get(at) : byText.get(at)) ?? null;
    const seen = from(...args);
    if (last?.seen.length === seen.length && last.seen.every((one, index) => one === seen[index]))
      return last.value;
    const value = make(last?.value ?? null, ...args);
    keep(at, { seen, value });
    return value;
  };
}
