export { type ReadOptions, readChordText } from "./read-chord-text";
