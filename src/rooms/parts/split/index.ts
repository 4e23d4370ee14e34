export { Strokes } from "./CellOffer";
export { wordsOf } from "./cell-words";
