import type { Finger } from "./hand";

export const FINGER_WORDS: Readonly<Record<Finger, string>> = Object.freeze({
  T: "thumb",
  1: "index finger",
  2: "middle finger",
  3: "ring finger",
  4: "little finger",
});

/** @example ordinal(3) // => "3rd" */
export function ordinal(count: number): string {
  const teen = count % 100 >= 11 && count % 100 <= 13;
  return `${count}${teen ? "th" : (["th", "st", "nd", "rd"][count % 10] ?? "th")}`;
}

/** @example describeList(["D", "G", "B"]) // => "D, G and B" */
export const describeList = (items: readonly string[]): string =>
  items.length < 2 ? (items[0] ?? "") : `${items.slice(0, -1).join(", ")} and ${items.at(-1)}`;

/** A list of fingers as people say it. @example describeFingers([3, 4]) // => "ring and little finger" */
export function describeFingers(fingers: readonly Finger[]): string {
  const words = fingers.map((finger) => FINGER_WORDS[finger]);
  return describeList(words.map((word, at) => (at < words.length - 1 ? word.replace(" finger", "") : word)));
}
