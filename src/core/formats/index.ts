export { type Adjustments, adjustmentsSchema, adjustSheet, canJoin, readOptionsOf } from "./adjust";
export * from "./chord-text";
export { isChordPro, readChordPro, splitSongs, writeChordPro } from "./chordpro";
export { drawnShapes } from "./drawn-shapes";
export { sheetOfVersion } from "./from-version";
export { readMidi } from "./midi/read";
export { writeChanges } from "./midi/write-changes";
export { readMusicXml } from "./musicxml/read";
export {
  decodeText,
  FILE_FORMATS,
  type FileFormat,
  isPack,
  isSongFile,
  LARGEST_FILE,
  type ReadFile,
  readSongFile,
  readSongText,
  songsInFile,
  titleOfFile,
} from "./read-file";
export { readSheet, TEXT_FORMATS, type TextFormat } from "./read-sheet";
export { saySheetLoss, saySheetProblem } from "./say-problem";
export {
  type ChordSheet,
  EMPTY_SHEET,
  LONGEST_SHEET,
  NOTHING_READ,
  type SheetChord,
  type SheetExtra,
  type SheetFingering,
  type SheetLine,
  type SheetLoss,
  type SheetProblem,
  type SheetSection,
  type SheetUse,
} from "./sheet";
export * from "./tab-text";
export { type SheetSource, versionOfSheet } from "./to-version";
export { isZip, sayZipProblem, unzip, type ZipEntry, type ZipProblem } from "./unzip";
