export { alignSources } from "./align-bars";
export { type EvidenceBar, type EvidenceSource, evidenceOf } from "./evidence-bars";

export { settleChords } from "./settle";
export {
  anotherWay,
  groupsOfWays,
  lineWays,
  playWay,
  type Way,
  type WaysOf,
} from "./ways";
export { type Question, type Spot, type WeighedColumn, weighEvidence } from "./weigh";
