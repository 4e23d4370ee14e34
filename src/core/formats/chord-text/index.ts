export { kindOfLabel } from "./heading";
export { type ReadOptions, readChordText } from "./read";
