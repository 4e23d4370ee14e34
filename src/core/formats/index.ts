export {
  type Adjustments,
  adjustmentsSchema,
  adjustSheet,
  canJoin,
  placeRead,
  readOptionsOf,
  sectionsRead,
} from "./adjust";
export * from "./chord-text";
export { readChordPro, writeChordPro } from "./chordpro";
export { describeSheetLoss, describeSheetProblem } from "./describe-sheet-problem";
export { drawnShapes } from "./drawn-shapes";
export { sheetOfVersion } from "./from-version";
export { type Doubt, doubtOf } from "./guess/doubt";
export { readMidi } from "./midi/read-midi";
export { writeChanges } from "./midi/write-changes";
export { readMusicXml } from "./musicxml/read-musicxml";
export {
  decodeText,
  isPack,
  isSongFile,
  LARGEST_FILE,
  readSongFile,
  readSongSource,
  readSongText,
  type SongSource,
  songsInFile,
  titleOfFile,
} from "./read-file";
export { readSheet, TEXT_FORMATS } from "./read-sheet";
export {
  type ChordSheet,
  DEFAULT_TEMPO,
  EMPTY_SHEET,
  LONGEST_SHEET,
  NOTHING_READ,
  type SheetProblem,
  type SheetReading,
  type SheetSection,
} from "./sheet";
export * from "./tab-text";
export { type SheetSource, versionOfSheet } from "./to-version";
export { describeZipProblem, unzip } from "./unzip";
