export { describeFinding, describeFix, describeLineWay } from "./describe-finding";
export { findingsOf } from "./findings";
export { changeMs } from "./hands";
export { type FindingKind, SHEET_FIXING, type SheetFinding } from "./sheet-finding";
export { lightOfRow } from "./song-findings";
