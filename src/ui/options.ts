/**
 * The choices of a field from a table of words, in its order.
 * @example optionsOf({ up: "upwards", down: "downwards" })[0] // => { value: "up", label: "upwards" }
 */
export const optionsOf = <Value extends string>(
  words: Readonly<Record<Value, string>>,
): { readonly value: Value; readonly label: string }[] =>
  (Object.keys(words) as Value[]).map((value) => ({ value, label: words[value] }));
