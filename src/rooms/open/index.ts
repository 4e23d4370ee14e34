export { makeId } from "@/document/client";
export { derive, type FormRow } from "./derived";
export { FindingItem, StandingList, useFindings } from "./findings";
export {
  OpenEveningProvider,
  useActOnEvening,
  useCurrentEvening,
  useEvening,
  useOpenEvening,
} from "./open-evening";
export {
  OpenSongProvider,
  useAct,
  useActOnBand,
  useActOnSong,
  useBand,
  useCurrentVersion,
  useDerived,
  useDerivedLater,
  useOpenSong,
  useRows,
  useRowsLater,
  useSong,
  useWholeVersion,
  useWholeVersionLater,
} from "./open-song";
export { PageTabs } from "./PageTabs";
export { UndoRedo } from "./UndoRedo";
