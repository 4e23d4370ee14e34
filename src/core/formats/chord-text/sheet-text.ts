/**
 * A line of a sheet with the place each of its characters stands at on screen. Chords are set over words by eye, so
 * a tab goes on to the next eighth column, East Asian signs are two columns wide, and combining marks none.
 */
export type SheetText = {
  readonly text: string;
  /** The column of each character (UTF-16 unit) of `text`, and after it the column that follows; it may be longer. */
  readonly columns: readonly number[];
};

const WIDE =
  /[\u1100-\u115F\u2E80-\u303E\u3041-\u33FF\u3400-\u4DBF\u4E00-\u9FFF\uA000-\uA4CF\uAC00-\uD7A3\uF900-\uFAFF\uFE30-\uFE6F\uFF00-\uFF60\uFFE0-\uFFE6\u3000]|[\u{1F300}-\u{1FAFF}]|[\u{20000}-\u{3FFFD}]/u;
const NARROW = /[\p{Mn}\p{Me}\p{Cf}]/u;

const LONGEST_LINE = 2000;

/** Cuts a line no sheet has into several, at spaces where there are some. */
export function cutLine(line: string, longest = LONGEST_LINE): string[] {
  if (line.length <= longest) return [line];
  const parts: string[] = [];
  for (let from = 0; from < line.length; ) {
    const space = line.lastIndexOf(" ", from + longest);
    let to = from + longest >= line.length ? line.length : space > from ? space : from + longest;
    if (/[\uD800-\uDBFF]/.test(line[to - 1]!) && to < line.length) to--;
    parts.push(line.slice(from, to));
    from = to;
  }
  return parts;
}

/** Lines of a text, cleaned of control signs, with their columns and their numbers from 1. */
export function sheetLines(text: string): { readonly line: SheetText; readonly number: number }[] {
  return text
    .normalize("NFC")
    .replaceAll("\uFEFF", "")
    .replaceAll(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, "\uFFFD")
    .split(/\r\n|\r|\n|\u2028|\u2029|\f|\v/u)
    .flatMap((raw, index) => cutLine(raw).map((part) => ({ line: sheetText(part), number: index + 1 })));
}

const INDEXES: readonly number[] = Object.freeze(Array.from({ length: 2048 }, (_, index) => index));
/** 0, 1, 2…: where every sign is one column wide. */
const indexes = (count: number): readonly number[] =>
  count <= INDEXES.length ? INDEXES : Array.from({ length: count }, (_, index) => index);

/** @example sheetText("\tG").columns // => [0, 8, 9] */
export function sheetText(raw: string): SheetText {
  const spaced = raw.trimEnd();
  const line = /\p{Cc}$/u.test(spaced) ? spaced.replace(/[\s\p{Cc}]+$/u, "") : spaced;
  if (/^[\x20-\x7E]*$/u.test(line)) return { text: line, columns: indexes(line.length + 1) };
  const columns: number[] = [];
  let text = "";
  let column = 0;
  for (const sign of line) {
    for (let unit = 0; unit < sign.length; unit++) columns.push(column);
    if (sign === "\t") column = (Math.floor(column / 8) + 1) * 8;
    else if (!/\p{Cc}/u.test(sign)) column += NARROW.test(sign) ? 0 : WIDE.test(sign) ? 2 : 1;
    text += sign === "\t" || /[\p{Cc}\u00A0\u3000]/u.test(sign) ? " " : sign;
  }
  columns.push(column);
  return { text, columns };
}
