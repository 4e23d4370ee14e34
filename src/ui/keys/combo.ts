import type { KeyRow } from "./row";

/** What of a key press matters: React's events and the browser's. */
export type KeyPress = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey">;

/**
 * A key press as the table writes it: "Mod" is Ctrl or ⌘. With one sign alone Shift is told by the sign itself.
 * @example comboOf({ key: "Z", ctrlKey: true, shiftKey: true, … }) // => "Mod+Shift+z"
 */
export function comboOf({ key, ctrlKey, metaKey, altKey, shiftKey }: KeyPress): string {
  const isSign = key.length === 1 && key !== " ";
  const isMod = ctrlKey || metaKey;
  const name = key === " " ? "Space" : isSign && isMod ? key.toLowerCase() : key;
  return [
    ...(isMod ? ["Mod"] : []),
    ...(altKey ? ["Alt"] : []),
    ...(shiftKey && (!isSign || isMod) ? ["Shift"] : []),
    name,
  ].join("+");
}

/** A key that is one sign and nothing held with it: what speech input and slips type. */
export const isSingle = (combo: string): boolean => combo.length === 1;

/**
 * Reads key presses by a table. What a key press does in a place, or null; letters count large and small alike, unless the table
 * tells them apart. With `singles` false no key of one sign acts.
 * @example readerOf(KEYS)("sheet", event) // => "carry"
 */
export function readerOf(table: readonly KeyRow[]) {
  const byPlace = new Map<string, Map<string, string>>();
  for (const { place, act, keys } of table) {
    const acts = byPlace.get(place) ?? new Map<string, string>();
    for (const key of keys) acts.set(key, act);
    byPlace.set(place, acts);
  }
  return (place: string, press: KeyPress, singles = true): string | null => {
    const combo = comboOf(press);
    if (!singles && isSingle(combo)) return null;
    const acts = byPlace.get(place);
    const act = acts?.get(combo) ?? (isSingle(combo) ? acts?.get(combo.toLowerCase()) : undefined);
    return act ?? null;
  };
}

const NAMES: Readonly<Record<string, string>> = Object.freeze({
  Mod: "Ctrl",
  ArrowUp: "↑",
  ArrowDown: "↓",
  ArrowLeft: "←",
  ArrowRight: "→",
  PageDown: "Page Down",
  PageUp: "Page Up",
});

/** A letter that the table tells from its small one. */
const isCapital = (sign: string): boolean => sign !== sign.toLowerCase();

/** A combination as people read it. @param isMac whether ⌘ stands for Ctrl. @example showKeys("Mod+Shift+z") // => "Ctrl Shift Z" */
export const showKeys = (combo: string, isMac = false): string =>
  combo
    .split(/\+(?=.)/u)
    .map((part) =>
      part === "Mod" && isMac
        ? "⌘"
        : (NAMES[part] ?? (part.length > 1 ? part : isCapital(part) ? `Shift ${part}` : part.toUpperCase())),
    )
    .join(" ");
