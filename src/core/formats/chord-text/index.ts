export { type ReadOptions, readChordText } from "./read";
