export { type FindingKind, SHEET_FIXING, type SheetFinding } from "./finding";
export { findingsOf } from "./findings";
export { changeMs } from "./hands";
export { sayFinding, sayFix } from "./say-finding";
export { lightOfRow } from "./song";
