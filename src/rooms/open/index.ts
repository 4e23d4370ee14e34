export { makeId } from "@/document/client";
export { derive, type FormRow, type Sketch } from "./derived";
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
export { SongNames } from "./SongNames";
export { SourceAndDoubt } from "./SourceAndDoubt";
export { ChooseShape, type ShapePlace } from "./shapes/ChooseShape";
export { type ShapeBook, useShapeBook } from "./shapes/use-shape-book";
export { UndoRedo } from "./UndoRedo";
export {
  type NameOf,
  type NamesAt,
  nameBy,
  namesBy,
  soundingNames,
  useNameOf,
  useNames,
} from "./use-names";
export { type Plans, usePlans } from "./use-plans";
export { VARIANT_WORDS, VariantField } from "./VariantField";
