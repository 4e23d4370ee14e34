export { addException, type ExceptionFields, type ExceptionHome, homeFields } from "./add-exception";
export { setBeats } from "./beats";
export { changeKey, hasCapo, sameShapes } from "./change-key";
export {
  addChord,
  addLine,
  addSection,
  addUse,
  chooseShape,
  moveBefore,
  orderAtEnd,
  removalIn,
  removeChord,
  removeLine,
  removePlayer,
  removeSection,
  removeUse,
  setCell,
  setWords,
} from "./commands";
export { copyUse } from "./copy-use";
export { copyVersion } from "./copy-version";
export type { BandCommand, EveningCommand, SongCommand, VersionCommand, VersionStep } from "./edits";
export { setEndingLength } from "./ending-length";
export { playAsUsual, setEntrances, silencedWith, takesSilence } from "./entrances";
export { type FoldProblem, fold, isPlainUse } from "./fold";
export { freshName } from "./fresh-name";
export { add, bandEdits, batch, eveningEdits, remove, set, songEdits } from "./makers";
export { markChord, nameChord } from "./mark-chord";
export {
  addRiff,
  type CopiedCell,
  clearCells,
  copyCell,
  dismiss,
  fillDown,
  type PatternField,
  pasteCells,
  removeRiff,
  removeStrum,
  type SheetPlace,
  setCells,
  setRiffNotes,
  strumLike,
  strumRow,
  takePattern,
} from "./part-commands";
export { lengthenChord, liftChord, moveChordStart, moveChordWord, placeChord, spotAt } from "./place-chord";
export { bookShapeAt, keepInBook, type ShapeKept } from "./shape-book";
export { likeSections, type Shared, shareLike } from "./share-like";
export { unfold } from "./unfold";
