export { readChordText } from "./read-chord-text";
export type { ReadOptions } from "./read-options";
