export { makeId } from "@/document/client";
export { derive, type FormRow } from "./derived";
export { LetItStand } from "./LetItStand";
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
  useCalmVersion,
  useCurrentVersion,
  useOpenSong,
  useSong,
  useVersion,
} from "./open-song";
export { PageTabs } from "./PageTabs";
export { UndoRedo } from "./UndoRedo";
