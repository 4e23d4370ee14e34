export { isChordPro } from "./lines";
export { readChordPro } from "./read";
export { writeChordPro } from "./write";
