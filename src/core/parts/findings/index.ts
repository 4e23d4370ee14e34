export type { Finding, FindingKind } from "./finding";
export { findingsOf } from "./findings";
export { changeMs } from "./hands";
export { sayFinding, sayFix } from "./say-finding";
export { lightOfRow } from "./song";
