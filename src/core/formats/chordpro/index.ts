export { isChordPro, splitSongs } from "./lines";
export { readChordPro } from "./read-chordpro";
export { writeChordPro } from "./write";
