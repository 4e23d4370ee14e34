/** Texts remembered at most, before all are forgotten. */
const MOST_TEXTS = 2000;

/**
 * Answers kept for one key. A window looks at more than one body at a time: the newest, and the one painted last. Were only
 * one answer kept, each would drive out the other's, and what is asked twice would never be the same object.
 */
const MOST_ANSWERS = 3;

type Answer<Value> = { readonly seen: readonly unknown[]; readonly value: Value };

const isFrom = (answer: Answer<unknown>, seen: readonly unknown[]): boolean =>
  answer.seen.length === seen.length && answer.seen.every((one, index) => one === seen[index]);

/**
 * Remembers answers: the last few for each key, given again while everything they were made from is the same.
 * @param from what an answer is made from, compared by identity
 * @param make makes an answer; `last` is the newest for the same key, so that what has not changed can stay the same object
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
  const byText = new Map<string, readonly Answer<Value>[]>();
  const byObject = new WeakMap<object, readonly Answer<Value>[]>();
  const keep = (at: string | object, answers: readonly Answer<Value>[]) => {
    if (typeof at === "object") byObject.set(at, answers);
    else {
      if (byText.size >= MOST_TEXTS) byText.clear();
      byText.set(at, answers);
    }
  };
  return (...args) => {
    const at = key(...args);
    const answers = (typeof at === "object" ? byObject.get(at) : byText.get(at)) ?? [];
    const seen = from(...args);
    const known = answers.find((answer) => isFrom(answer, seen));
    if (known) {
      if (known !== answers[0]) keep(at, [known, ...answers.filter((answer) => answer !== known)]);
      return known.value;
    }
    const value = make(answers[0]?.value ?? null, ...args);
    keep(at, [{ seen, value }, ...answers.slice(0, MOST_ANSWERS - 1)]);
    return value;
  };
}
