export { Strokes } from "./CellOffer";
