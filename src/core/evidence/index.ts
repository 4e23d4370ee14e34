export { alignSources } from "./align";
export { type EvidenceBar, type EvidenceSource, evidenceOf } from "./bars";

export { settleChords } from "./settle";
export { type Question, type Spot, type WeighedColumn, weighEvidence } from "./weigh";
