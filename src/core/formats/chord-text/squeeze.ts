/** Words with runs of spaces closed up; `place` turns a place of the text as written into an index of the words. */
export type Squeezed = { readonly words: string; readonly place: (at: number) => number };

/**
 * Closes up runs of spaces.
 * @param columns the place each character stands at, where that is not its index
 * @example squeeze("Light  on").place(7) // => 6
 */
export function squeeze(text: string, columns?: readonly number[]): Squeezed {
  const isPlain = !columns || columns.length > text.length + 1;
  // Most lines have no runs to close: a place between words is that of the next.
  if (isPlain && /^(?:[^\s]+ )*[^\s]+$/u.test(text))
    return {
      words: text,
      place: (at) => (at >= text.length ? text.length : text[at] === " " ? at + 1 : Math.max(0, at)),
    };
  const starts: { from: number; to: number; at: number; index: number; length: number }[] = [];
  let words = "";
  for (const match of text.matchAll(/\S+/gu)) {
    const at = words === "" ? 0 : words.length + 1;
    words = words === "" ? match[0] : `${words} ${match[0]}`;
    const [index, length] = [match.index, match[0].length];
    starts.push({
      from: columns?.[index] ?? index,
      to: columns?.[index + length] ?? index + length,
      at,
      index,
      length,
    });
  }
  const place = (at: number): number => {
    const inside = starts.find((word) => at < word.to);
    const last = starts.at(-1);
    if (!inside) return last ? last.at + last.length : 0;
    if (at <= inside.from) return inside.at;
    if (!columns) return inside.at + at - inside.from;
    let index = inside.index;
    while (index + 1 < inside.index + inside.length && columns[index + 1]! <= at) index++;
    return inside.at + index - inside.index;
  };
  return { words, place };
}
