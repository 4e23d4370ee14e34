export { changeKept } from "./live/settings";
export { PassageSheet } from "./live/sheet/PassageSheet";
export { pieceAt } from "./piece-at";
