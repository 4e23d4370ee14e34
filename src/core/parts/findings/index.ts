export type { CellFix, Finding, FindingKind, Fix } from "./finding";
export { findingsOf } from "./findings";
export { changeMs } from "./hands";
export { sayFinding, sayFix } from "./say-finding";
export { lightOfRow } from "./song";
