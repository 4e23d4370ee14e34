export {
  OUT_CELL,
  type Proposal,
  SCHOOLS,
  SPLIT_WEIGHTS,
  type SplitCase,
  type SplitCell,
  type SplitPlayer,
  type SplitSection,
  type SplitWeights,
} from "./case";
export { lampSets, unevenness } from "./lamps";
export {
  SONG_WEIGHTS,
  splitCaseOf,
  splitPlayer,
  splitSection,
} from "./of-song";
export { splitBy, splitSong } from "./split";
export { optionsOf, registersOf } from "./split-options";
export { isTwice, violationsOf } from "./split-rules";
export {
  lightOf,
  scoreOf,
  sharedOnsets,
  sharedSemitones,
  termsOf,
} from "./split-score";
