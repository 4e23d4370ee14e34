export {
  OUT_CELL,
  type Proposal,
  SCHOOLS,
  type School,
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitCell,
  type SplitPlayer,
  type SplitSection,
  type SplitWeights,
} from "./case";
export { lampSets } from "./lamps";
export {
  cellFieldsOf,
  proposalChanges,
  proposalDifferences,
  SONG_WEIGHTS,
  splitCaseOf,
  splitPlayer,
  splitSection,
  type Taken,
} from "./of-song";
export { splitBy, splitSong } from "./split";
export { optionsOf, registersOf } from "./split-options";
export { violationsOf } from "./split-rules";
export {
  lightOf,
  scoreOf,
  sharedOnsets,
  sharedSemitones,
  termsOf,
} from "./split-score";
