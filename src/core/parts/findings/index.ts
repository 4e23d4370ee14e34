export { describeFinding, describeFix } from "./describe-finding";
export { type FindingKind, SHEET_FIXING, type SheetFinding } from "./finding";
export { findingsOf } from "./findings";
export { changeMs } from "./hands";
export { lightOfRow } from "./song";
