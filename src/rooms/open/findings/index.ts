export { FindingItem } from "./FindingItem";
export { StandingList } from "./StandingList";
export { useFindings } from "./use-findings";
