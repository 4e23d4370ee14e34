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
export { optionsOf } from "./options";
export { violationsOf } from "./rules";
export {
  lightOf,
  scoreOf,
  sharedOnsets,
  sharedSemitones,
  termsOf,
} from "./score";
export { splitBy, splitSong } from "./split";
