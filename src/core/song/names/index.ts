export { describeHand } from "./describe-hand";
export { type NamedChord, Namer, namerByShift, namersFor } from "./namer";
export {
  type NamesChoice,
  OWN_NAMES,
  PLAIN_READER,
  type Reader,
  readerBy,
  readerOf,
  type Shows,
  usualReads,
  type Whose,
  type Writing,
} from "./reader";
