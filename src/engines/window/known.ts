/** The last good answer for somebody or something, and what it was asked beside. */
export type Known<Answer, Beside> = {
  readonly key: string;
  readonly answer: Answer;
  readonly beside: Beside;
};

/** A question as it is asked now: its key, or null where there is none, and what has come of it. */
export type Asked<Answer, Beside> = {
  readonly id: string;
  readonly key: string | null;
  readonly beside: Beside;
  /** Undefined until there is a good one. */
  readonly answer: Answer | undefined;
};

/**
 * What is known after another look: new answers take the place of old ones; where there is none yet, or none to be had,
 * the last good one stays; what is no longer asked is forgotten.
 * @returns `before` itself when nothing is new
 * @example takeIn(new Map(), [{ id: "ann", key: "1", beside: null, answer: 7 }]).get("ann")?.answer // => 7
 */
export function takeIn<Answer, Beside>(
  before: ReadonlyMap<string, Known<Answer, Beside>>,
  questions: readonly Asked<Answer, Beside>[],
): ReadonlyMap<string, Known<Answer, Beside>> {
  const after = new Map<string, Known<Answer, Beside>>();
  let isNew = false;
  for (const { id, key, beside, answer } of questions) {
    const last = before.get(id);
    if (key !== null && answer !== undefined) {
      const same = last && last.key === key && last.answer === answer && last.beside === beside;
      after.set(id, same ? last : { key, answer, beside });
      if (!same) isNew = true;
    } else if (key !== null && last) after.set(id, last);
  }
  return isNew || after.size !== before.size ? after : before;
}
