export { type BarChord, type EvidenceBar, type EvidenceSource, evidenceOf, keyNamed } from "./bars";
export { type Column, type Laid, laySources } from "./lay";
export { barUnlikeness, fitsTwoNames, unlikeness } from "./likeness";
export { settleChords } from "./settle";
export { type Evidence, type Question, type Spot, type WeighedColumn, weighEvidence } from "./weigh";
