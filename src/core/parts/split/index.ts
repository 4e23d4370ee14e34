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
export {
  cellFieldsOf,
  proposalChanges,
  proposalDifferences,
  SONG_WEIGHTS,
  splitCaseOf,
  type Taken,
} from "./of-song";
export { splitBy, splitSong } from "./split";
export { optionsOf } from "./split-options";
export { violationsOf } from "./split-rules";
export {
  lightOf,
  scoreOf,
  sharedOnsets,
  sharedSemitones,
  termsOf,
} from "./split-score";
