export { LetItStand } from "./LetItStand";
export {
  OpenEveningProvider,
  useActOnEvening,
  useCurrentEvening,
  useEvening,
  useOpenEvening,
} from "./open-evening";
export {
  type DocumentStore,
  derive,
  type FormRow,
  type LoadedDocument,
  makeId,
  OpenSongProvider,
  type Saving,
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
