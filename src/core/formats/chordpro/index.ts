export { isChordPro, splitSongs } from "./lines";
export { readChordPro } from "./read";
export { writeChordPro } from "./write";
